<?php

declare(strict_types=1);

namespace App\Models\Brief;

use Hyalin\Plan\PrintProcess;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $figure_id
 * @property string $name
 * @property int $position
 * @property PrintProcess $process
 * @property bool $is_base what the figure stands on
 * @property bool $is_fiddly too small to hold
 * @property string|null $bare_hex colour of its print, before white; null for that of the figure
 * @property float|null $translucency share of the light that goes through the bare print, 0..1; null for none
 * @property int|null $grit_from P grit to begin with; null for the usual
 * @property int|null $grit_to
 * @property int|null $sanding_rounds of filler primer one expects
 * @property string|null $attachments magnets, pins, straps, in words
 */
final class Part extends Model
{
    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['position' => 0, 'process' => 'resin', 'is_base' => false, 'is_fiddly' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['process' => PrintProcess::class, 'is_base' => 'boolean', 'is_fiddly' => 'boolean', 'translucency' => 'float'];
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }
}

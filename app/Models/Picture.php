<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A reference, re-encoded when it came in: no metadata, upright, PNG.
 *
 * @property int $id
 * @property int $figure_id
 * @property string $title
 * @property string $path
 * @property int $width
 * @property int $height
 */
final class Picture extends Model
{
    protected $guarded = ['id', 'figure_id'];

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /** @return HasMany<Sample, $this> */
    public function samples(): HasMany
    {
        return $this->hasMany(Sample::class);
    }
}

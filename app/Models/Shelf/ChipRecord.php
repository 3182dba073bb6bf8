<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Casts\Spectrum;
use App\Models\OwnedByPainter;
use Hyalin\Finish\Technique;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A test chip as it was painted and read.
 *
 * @property int $id
 * @property int $painter_id
 * @property Technique $technique
 * @property int $paint_id
 * @property float $thinner
 * @property int $coats
 * @property float $card
 * @property list<float> $read
 * @property Paint $paint
 */
final class ChipRecord extends Model
{
    use OwnedByPainter;

    protected $table = 'chips';

    protected $guarded = ['id', 'painter_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['technique' => Technique::class, 'thinner' => 'float', 'card' => 'float', 'read' => Spectrum::class];
    }

    /** @return BelongsTo<Paint, $this> */
    public function paint(): BelongsTo
    {
        return $this->belongsTo(Paint::class)->withTrashed();
    }
}

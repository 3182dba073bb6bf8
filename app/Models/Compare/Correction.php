<?php

declare(strict_types=1);

namespace App\Models\Compare;

use App\Casts\Spectrum;
use App\Models\OwnedByPainter;
use App\Models\Shelf\Paint;
use Hyalin\Finish\Technique;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A correction, from photos of painted pieces, of the colour predicted for a pot in a technique. Offered; used in
 * predictions only once the painter takes it.
 *
 * @property int $id
 * @property int $painter_id
 * @property int $paint_id
 * @property Technique $technique
 * @property list<float> $factors 36, of the predicted reflectance
 * @property int $seen zones it was seen in
 * @property float $difference mean CIEDE2000 between predicted and painted
 * @property Carbon|null $taken_at
 * @property Paint $paint
 */
final class Correction extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['technique' => Technique::class, 'factors' => Spectrum::class, 'difference' => 'float', 'taken_at' => 'datetime'];
    }

    /** @return BelongsTo<Paint, $this> */
    public function paint(): BelongsTo
    {
        return $this->belongsTo(Paint::class)->withTrashed();
    }
}

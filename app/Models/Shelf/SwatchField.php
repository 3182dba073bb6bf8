<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use Hyalin\Finish\Technique;
use Hyalin\Sheet\Place;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One field of a sheet: the swatches of a pot, or a strip of a technique.
 *
 * @property int $id
 * @property int $sheet_id
 * @property int $position
 * @property int $paint_id
 * @property Technique|null $technique of a strip
 * @property float $thinner parts to one of the pot, of a strip
 * @property int $coats of a strip
 * @property-read Paint $paint
 */
final class SwatchField extends Model
{
    public $timestamps = false;

    protected $guarded = ['id', 'sheet_id'];

    protected $attributes = ['technique' => null, 'thinner' => 0.0, 'coats' => 1];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['technique' => Technique::class, 'thinner' => 'float', 'coats' => 'integer', 'position' => 'integer'];
    }

    /** @return BelongsTo<Paint, $this> */
    public function paint(): BelongsTo
    {
        return $this->belongsTo(Paint::class)->withTrashed();
    }

    /** @return list<Place> what is to be painted in it */
    public function places(?int $whiteId): array
    {
        return match (true) {
            $this->technique !== null => [Place::OverBlack, Place::OverWhite],
            // A white is not tinted with itself.
            $whiteId !== null && $whiteId !== $this->paint_id => Place::cases(),
            default => [Place::OverBlack, Place::OverWhite, Place::Thick],
        };
    }
}

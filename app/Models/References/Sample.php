<?php

declare(strict_types=1);

namespace App\Models\References;

use App\Casts\Outline;
use App\Models\Brief\Area;
use Hyalin\Colour\Lab;
use Hyalin\Finish\Zone;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A colour taken from a reference for one zone of an area; D65.
 *
 * @property int $id
 * @property int $area_id
 * @property int|null $picture_id null where it was named without a picture
 * @property string|null $source of a named colour, in words
 * @property Zone $zone
 * @property string $method spot, lasso, stroke or named
 * @property list<array{float, float}> $outline
 * @property float $lightness
 * @property float $a
 * @property float $b
 * @property float $spread
 * @property int $pixels
 * @property float $clipped
 * @property list<string>|null $doubts
 */
final class Sample extends Model
{
    protected $guarded = ['id', 'area_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'zone' => Zone::class, 'outline' => Outline::class, 'doubts' => 'array',
            'lightness' => 'float', 'a' => 'float', 'b' => 'float', 'spread' => 'float', 'clipped' => 'float',
        ];
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return BelongsTo<Picture, $this> */
    public function picture(): BelongsTo
    {
        return $this->belongsTo(Picture::class);
    }

    public function lab(): Lab
    {
        return Lab::of($this->lightness, $this->a, $this->b);
    }
}

<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Casts\Spectrum;
use App\Models\OwnedByPainter;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\PotKind;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * A pot on the shelf. Taken off the shelf it is only marked so, and recipes that use it keep it.
 *
 * @property int $id
 * @property int $painter_id
 * @property int $position
 * @property string $maker
 * @property string $name
 * @property PotKind $kind
 * @property Sheen $sheen
 * @property int $level_percent
 * @property string $thick_hex
 * @property Opacity $opacity
 * @property TintingStrength $strength
 * @property list<float> $absorption
 * @property list<float> $scattering
 * @property OpticsQuality $quality
 * @property string|null $note
 * @property string|null $flop_hex second face of flakes, seen from the side
 * @property array<string, mixed>|null $facts what the painter says where the kind's defaults are wrong
 * @property array<string, mixed>|null $readings what K and S were solved from
 * @property float $used_ml taken out since, less than one hundredth of its size
 * @property int $version
 * @property Carbon|null $deleted_at
 */
final class Paint extends Model
{
    use OwnedByPainter;
    use SoftDeletes;

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['version' => 1, 'position' => 0, 'level_percent' => 100, 'used_ml' => 0.0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => PotKind::class,
            'sheen' => Sheen::class,
            'opacity' => Opacity::class,
            'strength' => TintingStrength::class,
            'absorption' => Spectrum::class,
            'scattering' => Spectrum::class,
            'quality' => OpticsQuality::class,
            'facts' => 'array',
            'readings' => 'array',
            'used_ml' => 'float',
        ];
    }

    /** @return float mL when it is full */
    public function size(): float
    {
        $own = $this->facts['sizeMl'] ?? null;

        return is_numeric($own) ? (float) $own : (float) $this->kind->usual()->sizeMl;
    }

    /**
     * Lowers the level by what went into a cup, or raises it again by less than nothing. Hundredths are counted off the
     * level; what is left over is kept until it makes another one.
     */
    public function takeOut(float $millilitres): void
    {
        $hundredth = $this->size() / 100;
        $used = $this->used_ml + $millilitres;
        $whole = (int) floor($used / $hundredth + 1e-9);
        $this->level_percent = max(0, min(100, $this->level_percent - $whole));
        $this->used_ml = $used - $whole * $hundredth;
        $this->save();
    }

    public function optics(): PaintOptics
    {
        return PaintOptics::of($this->absorption, $this->scattering, $this->quality);
    }
}

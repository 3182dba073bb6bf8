<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Casts\Spectrum;
use App\Models\OwnedByPainter;
use BackedEnum;
use Hyalin\Colour\GamutMapping;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\Chemistry;
use Hyalin\Pot\FieldType;
use Hyalin\Pot\Pot;
use Hyalin\Pot\PotFields;
use Hyalin\Pot\PotKind;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use LogicException;

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
 * @property string|null $tint_hex of a clear pot: one coat on white; null for none
 * @property Chemistry|null $chemistry this and what follows: as the painter states it; null for the usual of the kind
 * @property float|null $density
 * @property float|null $size_ml
 * @property float|null $price
 * @property int|null $drying_minutes
 * @property int|null $curing_minutes
 * @property float|null $pressure_psi
 * @property float|null $thinner
 * @property string|null $thinned_with
 * @property string|null $cleaner
 * @property float|null $drop_ml
 * @property bool|null $is_mixed
 * @property string|null $opened_on YYYY-MM-DD
 * @property string|null $good_until YYYY-MM-DD
 * @property list<array{k: list<float>, s: list<float>}>|null $spread how far K and S may be off; null for the usual of the quality
 * @property array<string, mixed>|null $readings what K and S were solved from
 * @property \Illuminate\Support\Carbon|null $created_at
 * @property float $used_ml mL taken out since the level was last changed: less than a hundredth of its size, but more where the level would fall below 0, and negative where it would rise above 100
 * @property int $version
 * @property Carbon|null $deleted_at
 */
final class Paint extends Model
{
    use OwnedByPainter;
    use SoftDeletes;

    /** Hundredths of its size. */
    private const NEARLY_EMPTY = 8;

    protected $guarded = ['id', 'painter_id'];

    /** @param  array<string, mixed>  $attributes */
    public function __construct(array $attributes = [])
    {
        // Every field has a column that can be read, whether the record was loaded or is new.
        $this->attributes = ['version' => 1, 'position' => 0, 'used_ml' => 0.0];
        foreach (PotFields::all() as $field) {
            $this->attributes[$field->column()] = $field->default instanceof BackedEnum ? $field->default->value : $field->default;
        }
        parent::__construct($attributes);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        $casts = [
            'absorption' => Spectrum::class,
            'scattering' => Spectrum::class,
            'quality' => OpticsQuality::class,
            'readings' => 'array',
            'spread' => 'array',
            'used_ml' => 'float',
        ];
        foreach (PotFields::all() as $field) {
            $casts[$field->column()] = match ($field->type) {
                FieldType::Text, FieldType::Note, FieldType::Colour, FieldType::Day => 'string',
                FieldType::Choice => $field->choices ?? throw new LogicException("{$field->key} has no choices"),
                FieldType::Whole => 'integer',
                FieldType::Number => 'float',
                FieldType::YesNo => 'boolean',
            };
        }

        return $casts;
    }

    /** The pot with its facts, each the painter's own or the usual of its kind. */
    public function pot(): Pot
    {
        $stated = [];
        foreach (PotFields::all() as $field) {
            $value = $this->getAttribute($field->column());
            $stated[$field->key] = is_scalar($value) || $value instanceof BackedEnum ? $value : null;
        }

        return Pot::of((string) $this->id, $this->name, $this->kind, Srgb::hex($this->thick_hex), $this->optics(), $stated);
    }

    /**
     * Lowers the level by the paint that went into a cup. A negative amount puts paint back. The level falls in steps of one
     * hundredth of the pot; the remainder is kept in used_ml, and so is an amount that exceeds the level. Pouring an amount and putting
     * it back therefore restores the level. The pot is read anew first, because another page may have changed it.
     *
     * @param  float  $millilitres  mL; negative to put back
     */
    public function takeOut(float $millilitres): void
    {
        DB::transaction(function () use ($millilitres): void {
            $now = self::withTrashed()->lockForUpdate()->findOrFail($this->id, ['level_percent', 'used_ml']);
            $hundredth = $this->pot()->sizeMl() / 100;
            $used = $now->used_ml + $millilitres;
            $level = max(0, min(100, $now->level_percent - (int) floor($used / $hundredth + 1e-9)));
            $this->level_percent = $level;
            $this->used_ml = $used - ($now->level_percent - $level) * $hundredth;
            self::withTrashed()->whereKey($this->id)->update(['level_percent' => $this->level_percent, 'used_ml' => $this->used_ml]);
            $this->syncOriginalAttributes(['level_percent', 'used_ml']);
        });
    }

    public function leftWords(): string
    {
        return "{$this->name} ({$this->level_percent} % left)";
    }

    /** From now on its K and S, and how sure they are; saved by the caller. */
    public function hold(PaintOptics $optics, OpticsSpread $spread): void
    {
        $this->fill(['absorption' => $optics->k, 'scattering' => $optics->s, 'quality' => $optics->quality, 'spread' => $spread->toArray()]);
    }

    /** The same of a pot that was measured: its colour when thick is what follows from them; saved by the caller. */
    public function holdMeasured(PaintOptics $optics, OpticsSpread $spread): void
    {
        $this->hold($optics, $spread);
        $seen = SpectralSum::under(Illuminant::D65)->xyz(Surface::of($this->sheen)->seen($optics->masstone()))->toLab();
        $this->thick_hex = GamutMapping::displayed($seen)->shown->toHex();
    }

    /** @return bool whether what is left of it may not do for a recipe */
    public function isNearlyEmpty(): bool
    {
        return $this->level_percent < self::NEARLY_EMPTY;
    }

    /** How far K and S may be from what is in the pot; of a clear one that absorbs nothing there is nothing to be wrong. */
    public function spread(): OpticsSpread
    {
        return $this->spread === null ? OpticsSpread::usual($this->quality) : OpticsSpread::parse($this->spread);
    }

    public function optics(): PaintOptics
    {
        return PaintOptics::of($this->absorption, $this->scattering, $this->quality);
    }
}

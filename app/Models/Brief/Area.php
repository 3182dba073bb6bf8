<?php

declare(strict_types=1);

namespace App\Models\Brief;

use App\Models\Finish\LayerRecord;
use App\Models\References\Sample;
use App\Models\Seen;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Zone;
use Hyalin\Optics\Sheen;
use Hyalin\Plan\Reach;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One surface with one finish. Its version counts changes of the stack of layers.
 *
 * @property int $id
 * @property int $figure_id
 * @property int|null $part_id
 * @property string $name
 * @property string|null $wish
 * @property int|null $lies_on_id the area that this one lies on when that is finished: a decal
 * @property int $position
 * @property int $depth 0 lies innermost
 * @property float|null $square_cm
 * @property bool $is_hidden
 * @property bool $is_left_bare shown as it was printed
 * @property Reach $reach
 * @property list<float>|null $zone_shares recess to edge, as the mesh has them
 * @property array<string, list<float|null>>|null $zone_exposures what each directed spray gives to recess .. edge, 0..1, by technique
 * @property array{from: array{float, float, float}, to: array{float, float, float}}|null $gradient from root to tip where its form is one, mm on the figure; null for from its foot up
 * @property Sheen|null $sheen of its finish where no varnish sets another; null for that of the figure
 * @property AreaForm $form what it is to be
 * @property float|null $tolerance CIEDE2000 the painted piece may differ by; null for the usual
 * @property int $version
 * @property-read int|null $layers_count
 * @property-read int|null $samples_count
 */
final class Area extends Model
{
    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['version' => 1, 'position' => 0, 'depth' => 0, 'is_hidden' => false, 'is_left_bare' => false, 'reach' => 'open', 'form' => 'light and shade'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['form' => AreaForm::class, 'sheen' => Sheen::class, 'tolerance' => 'float', 'square_cm' => 'float', 'is_hidden' => 'boolean', 'is_left_bare' => 'boolean', 'reach' => Reach::class, 'zone_shares' => 'array', 'zone_exposures' => 'array', 'gradient' => 'array'];
    }

    /** @return string mark of what its form shows */
    public function seen(): string
    {
        return Seen::of([$this->name, $this->wish, $this->part_id, $this->lies_on_id, $this->sheen, $this->form, $this->tolerance, $this->square_cm]);
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @return HasMany<LayerRecord, $this> */
    public function layers(): HasMany
    {
        return $this->hasMany(LayerRecord::class)->orderBy('position');
    }

    /** @return HasMany<Sample, $this> */
    public function samples(): HasMany
    {
        return $this->hasMany(Sample::class);
    }

    /** @return float share of this area that a zone has: measured on the mesh, or the usual */
    public function share(Zone $zone): float
    {
        return $this->zone_shares[$zone->index()] ?? $zone->usualShare();
    }
}

<?php

declare(strict_types=1);

namespace App\Models\Bench;

use App\Casts\RecordedMix;
use App\Casts\ZoneColours;
use App\Casts\Zones;
use App\Models\Brief\Area;
use App\Models\Brief\Part;
use App\Models\Cups\CupRecord;
use App\Models\References\Picture;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Plan\StepKind;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * One step of a run: as it was planned when the run began, and as it was really done.
 *
 * @phpstan-import-type MixEntry from RecordedMix
 *
 * @property int $id
 * @property int $run_id
 * @property-read string|null $figure_name where it was asked for
 * @property int $position
 * @property StepKind $kind
 * @property string|null $step_key as the order of work names it; null for one that was inserted
 * @property string|null $layer_key null for work without paint
 * @property string|null $words what to do, where no technique says it
 * @property string|null $tool
 * @property list<string>|null $cautions
 * @property Collection<int, Part> $parts
 * @property Collection<int, Area> $areas
 * @property int $minutes at the bench, for all figures of the step
 * @property int|null $used_minutes
 * @property int|null $usual_minutes before the painter's own runs told more
 * @property StepVerdict|null $verdict
 * @property bool $went_on_wet although the paint beneath was still wet
 * @property int|null $most_minutes that a mask may stay on; of its removal, after the last coat
 * @property float|null $square_cm of one figure
 * @property int|null $copy which figure of a batch; null for all
 * @property string|null $skip_reason
 * @property bool $is_inserted
 * @property int|null $used_drops of the whole mix
 * @property int|null $repeats_step_id
 * @property string|null $part_name
 * @property string $area_name all that it is done on, joined, as it is told in full
 * @property list<string>|null $area_names one by one; null in a record of an earlier version
 * @property Technique|null $technique
 * @property list<Zone> $zones
 * @property float $thinner
 * @property int $coats
 * @property list<MixEntry> $planned_mix
 * @property array<string, string> $planned_colours hex by zone
 * @property int $drying_minutes in still air
 * @property int|null $aided_minutes what was left of them by moving or warm air; null in still air
 * @property RunStepState $state
 * @property list<MixEntry>|null $used_mix
 * @property int|null $used_coats
 * @property string|null $note
 * @property Carbon|null $done_at
 * @property int $version
 * @property Run $run
 */
final class RunStep extends Model
{
    protected $guarded = ['id', 'run_id'];

    protected $attributes = ['version' => 1, 'state' => 'open', 'kind' => 'brush', 'minutes' => 0, 'is_inserted' => false, 'went_on_wet' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => StepKind::class,
            'cautions' => 'array',
            'area_names' => 'array',
            'square_cm' => 'float',
            'is_inserted' => 'boolean',
            'went_on_wet' => 'boolean',
            'verdict' => StepVerdict::class,
            'technique' => Technique::class,
            'zones' => Zones::class,
            'thinner' => 'float',
            'planned_mix' => RecordedMix::class,
            'planned_colours' => ZoneColours::class,
            'state' => RunStepState::class,
            'used_mix' => RecordedMix::class,
            'done_at' => 'datetime',
        ];
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsToMany<Area, $this> */
    public function areas(): BelongsToMany
    {
        return $this->belongsToMany(Area::class, 'run_step_areas')->orderByPivot('id');
    }

    /** @return BelongsToMany<Part, $this> */
    public function parts(): BelongsToMany
    {
        return $this->belongsToMany(Part::class, 'run_step_parts')->orderByPivot('id');
    }

    /** @return array<int, float> mL by paint that left the pots when it was done */
    public function takenMl(): array
    {
        $taken = [];
        foreach (DB::table('run_step_paints')->where('run_step_id', $this->id)->orderBy('id')->get() as $row) {
            $taken[is_int($row->paint_id) ? $row->paint_id : 0] = is_numeric($row->millilitres) ? (float) $row->millilitres : 0.0;
        }

        return $taken;
    }

    /** @param  array<int, float>  $taken  mL by paint */
    public function putTakenMl(array $taken): void
    {
        DB::table('run_step_paints')->where('run_step_id', $this->id)->delete();
        DB::table('run_step_paints')->insert(array_map(fn (int $paintId, float $millilitres): array => ['run_step_id' => $this->id, 'paint_id' => $paintId, 'millilitres' => $millilitres], array_keys($taken), $taken));
    }

    /** @return int minutes that it dries, as it was when it was done */
    public function dryMinutes(): int
    {
        return $this->aided_minutes ?? $this->drying_minutes;
    }

    /** @return list<string> */
    public function areaNames(): array
    {
        return $this->area_names ?? [$this->area_name];
    }

    /** @return string where it is done, short: a step for many areas says how many */
    public function where(): string
    {
        $names = $this->areaNames();

        return count($names) > 2 ? count($names).' areas' : implode(', ', $names);
    }

    /** @return list<int> */
    public function areaIds(): array
    {
        return array_values($this->areas->map(static fn (Area $a): int => $a->id)->all());
    }

    /** @return list<int> */
    public function partIds(): array
    {
        return array_values($this->parts->map(static fn (Part $p): int => $p->id)->all());
    }

    /** @return BelongsTo<RunStep, $this> */
    public function repeats(): BelongsTo
    {
        return $this->belongsTo(self::class, 'repeats_step_id');
    }

    /** @return HasMany<Picture, $this> */
    public function pictures(): HasMany
    {
        return $this->hasMany(Picture::class);
    }

    /** @return HasMany<CupRecord, $this> */
    public function cups(): HasMany
    {
        return $this->hasMany(CupRecord::class);
    }

    /** @return self|null as it was planned, whatever was done instead; null for what nobody had planned */
    public function forgotten(): ?self
    {
        if ($this->is_inserted) {
            return null;
        }
        $planned = clone $this;
        $planned->used_mix = $planned->used_coats = $planned->used_minutes = $planned->note = null;

        return $planned;
    }

    /** @return string what kind of work it is, in a word or two */
    public function title(): string
    {
        return $this->technique->value ?? ($this->is_inserted ? 'repair' : $this->kind->value);
    }

    /** @return int figures it is done on at once */
    public function figures(): int
    {
        return $this->copy === null ? $this->run->copies : 1;
    }
}

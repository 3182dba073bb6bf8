<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\AidedDrying;
use App\Adapters\Bench\BenchHours;
use App\Adapters\Bench\CupShare;
use App\Casts\RecordedMix;
use App\Http\Props\DropsProps;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Bench\StepVerdict;
use App\Models\Brief\Area;
use App\Models\References\Picture;
use App\Models\Shelf\Paint;
use Hyalin\Finish\Application;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Plan\StepKind;
use Illuminate\Support\Carbon;
use LogicException;

/**
 * A step at the bench.
 */
final readonly class RunStepProps
{
    /**
     * @param  Technique|null  $technique  null for work without paint
     * @param  string  $title  technique or kind of work
     * @param  string  $instruction  what to do, in a painter's words
     * @param  list<int>  $partIds
     * @param  string  $areaName  all areas, joined
     * @param  list<string>  $areaNames  one by one
     * @param  list<int>  $areaIds
     * @param  list<Zone>  $zones
     * @param  AreaForm  $form  of its areas, where they are of one: what its zones are called
     * @param  list<DropsProps>  $plannedMix
     * @param  array<string, string>  $plannedColours  hex by zone, recess to edge
     * @param  int  $minutes  at the bench: an estimate
     * @param  list<DropsProps>|null  $usedMix  null while it was used as planned or is not done
     * @param  string|null  $doneAt  ISO 8601
     * @param  string|null  $lastTime  what was noted at this step the last time it was done
     * @param  list<string>  $cautions
     * @param  int|null  $pressurePsi  for what is sprayed
     * @param  bool  $isFromCan  sprayed as it is: nothing is mixed, thinned or cleaned
     * @param  string|null  $cleaner  for brush or airbrush afterwards
     * @param  int|null  $mostMinutes  that a mask may stay on; of its removal, after the last coat
     * @param  list<StepPhotoProps>  $photos
     * @param  bool  $wentOnWet  although the paint beneath was still wet
     * @param  StepCupProps|null  $cup  that stands open for it
     * @param  int|null  $copy  which figure of a batch; null for all
     */
    public function __construct(
        public int $id,
        public int $position,
        public ?string $stepKey,
        public StepKind $kind,
        public ?string $partName,
        public string $areaName,
        public array $areaNames,
        public array $partIds,
        public array $areaIds,
        public ?Technique $technique,
        public string $title,
        public string $instruction,
        public array $zones,
        public AreaForm $form,
        public float $thinner,
        public int $coats,
        public array $plannedMix,
        public array $plannedColours,
        public int $minutes,
        public ?int $usedMinutes,
        public int $dryingMinutes,
        public ?int $mostMinutes,
        public RunStepState $state,
        public ?array $usedMix,
        public ?int $usedCoats,
        public ?int $usedDrops,
        public ?StepNeedProps $need,
        public ?string $note,
        public ?string $skipReason,
        public ?string $doneAt,
        public ?string $lastTime,
        public array $cautions,
        public ?string $tool,
        public ?int $pressurePsi,
        public bool $isFromCan,
        public ?string $cleaner,
        public array $photos,
        public bool $isInserted,
        public ?StepVerdict $verdict,
        public bool $wentOnWet,
        public ?StepCupProps $cup,
        public ?int $copy,
        public int $version,
    ) {
    }

    /** A step by itself, after it was changed. */
    public static function one(RunStep $step): self
    {
        $step->load(['run.figure', 'repeats', 'pictures', 'areas', 'parts', 'cups.entries.paint']);

        return self::of($step, self::pots([$step]), RunProps::lessons($step->run)[$step->id] ?? null, CupShare::all($step->run->steps()->with(['areas', 'run.figure'])->get())[$step->id] ?? CupShare::own());
    }

    /**
     * @param  array<int, Paint>  $pots  by id
     */
    public static function of(RunStep $step, array $pots, ?string $lastTime, CupShare $share): self
    {
        return new self(
            $step->id,
            $step->position,
            $step->step_key,
            kind: $step->kind,
            partName: $step->part_name,
            areaName: $step->area_name,
            areaNames: $step->areaNames(),
            partIds: $step->partIds(),
            areaIds: $step->areaIds(),
            technique: $step->technique,
            title: $step->title(),
            instruction: $step->technique?->spec()->instruction ?? (string) $step->words,
            zones: $step->zones,
            form: self::form($step),
            thinner: $step->thinner,
            coats: $step->coats,
            plannedMix: DropsProps::recorded($step->planned_mix),
            plannedColours: $step->planned_colours,
            minutes: $step->minutes,
            usedMinutes: $step->used_minutes,
            dryingMinutes: app(AidedDrying::class)->minutes($step, $pots[$step->planned_mix === [] ? 0 : RecordedMix::main($step->planned_mix)['paintId']] ?? null),
            mostMinutes: $step->most_minutes,
            state: $step->state,
            usedMix: $step->used_mix === null ? null : DropsProps::recorded($step->used_mix),
            usedCoats: $step->used_coats,
            usedDrops: $step->used_drops,
            need: StepNeedProps::of($step, $share),
            note: $step->note,
            skipReason: $step->skip_reason,
            doneAt: $step->done_at?->toIso8601String(),
            lastTime: $lastTime,
            cautions: [...$step->cautions ?? [], ...self::pastPots($step, $pots)],
            tool: $step->tool,
            pressurePsi: self::pressure($step, $pots),
            isFromCan: $step->technique?->spec()->application === Application::SprayCan,
            cleaner: self::cleaner($step, $pots),
            photos: array_values($step->pictures->map(static fn (Picture $p): StepPhotoProps => new StepPhotoProps($p->id, route('pictures.image', [$step->run->figure, $p], false), $p->title))->all()),
            isInserted: $step->is_inserted,
            verdict: $step->verdict,
            wentOnWet: $step->went_on_wet,
            cup: StepCupProps::of($step),
            copy: $step->copy,
            version: $step->version,
        );
    }

    /**
     * @param  array<int, Paint>  $pots
     * @return list<string> pots of the mix that are past their time
     */
    private static function pastPots(RunStep $step, array $pots): array
    {
        $cautions = [];
        foreach (array_intersect_key($pots, array_flip(array_column($step->used_mix ?? $step->planned_mix, 'paintId'))) as $paint) {
            $until = $paint->good_until === null ? null : $paint->pot()->wasGoodUntil(self::today($step));
            if ($until !== null) {
                $cautions[] = "{$paint->name} was good until ".Carbon::parse($until)->isoFormat('D MMMM YYYY').': try it on a card first.';
            }
        }

        return $cautions;
    }

    private static function today(RunStep $step): string
    {
        return BenchHours::today($step->run->figure->loadMissing('painter')->painter ?? throw new LogicException('a figure has a painter'));
    }

    /**
     * @param  iterable<RunStep>  $steps
     * @return array<int, Paint>
     */
    public static function pots(iterable $steps): array
    {
        $ids = [];
        foreach ($steps as $step) {
            $ids = [...$ids, ...array_column($step->planned_mix, 'paintId')];
        }

        $pots = [];
        foreach (Paint::withTrashed()->whereKey(array_unique($ids))->get() as $pot) {
            $pots[$pot->id] = $pot;
        }

        return $pots;
    }

    private static function form(RunStep $step): AreaForm
    {
        $forms = array_unique(array_map(static fn (Area $a): string => $a->form->value, $step->areas->all()));

        return count($forms) === 1 ? AreaForm::from(reset($forms)) : AreaForm::Shaped;
    }

    /** @param  array<int, Paint>  $pots */
    private static function cleaner(RunStep $step, array $pots): ?string
    {
        if ($step->technique === null || ! $step->technique->spec()->application->isCountedInDrops() || $step->planned_mix === []) {
            return null;
        }

        return ($pots[RecordedMix::main($step->planned_mix)['paintId']] ?? null)?->pot()->cleaner();
    }

    /** @param  array<int, Paint>  $pots */
    private static function pressure(RunStep $step, array $pots): ?int
    {
        if ($step->technique?->spec()->application !== Application::Airbrush) {
            return null;
        }
        $pot = $pots[$step->planned_mix[0]['paintId'] ?? 0] ?? null;

        return $pot?->pot()->pressurePsi();
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\BenchHours;
use App\Adapters\Bench\CupShare;
use App\Adapters\Bench\PaintNeed;
use App\Adapters\Bench\PaintNeeds;
use App\Adapters\Bench\PlannedStep;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;
use Hyalin\Bench\Batch;
use Hyalin\Bench\BatchMode;

/**
 * Calculates the paint that a figure, or the rest of a run, takes from the pots; and whether a batch is quicker step by step.
 */
final readonly class CalculatePaint
{
    /** Minutes to mix a cup, load and clean the brush or airbrush: own estimate. */
    private const SET_UP = 5.0;

    public function __construct(private PlanSteps $plan, private PaintNeeds $needs)
    {
    }

    /** @return list<RunStep> as they would be in a run of so many copies; none is stored */
    public function planned(Figure $figure, int $copies): array
    {
        $run = new Run(['figure_id' => $figure->id, 'copies' => $copies, 'batch_mode' => BatchMode::StepByStep]);
        $run->painter_id = $figure->painter_id;

        $areas = $figure->areasWithFinishes();

        return array_map(static function (PlannedStep $planned) use ($run, $areas): RunStep {
            $step = new RunStep($planned->attributes);
            $step->setRelation('run', $run);
            $step->setRelation('areas', $areas->whereIn('id', $planned->areaIds)->values());

            return $step;
        }, ($this->plan)($figure));
    }

    /** @return list<RunStep> that are still to be done, and for which no cup was mixed yet */
    public static function left(Run $run): array
    {
        $steps = $run->loadMissing('steps.areas')->steps;
        $shares = CupShare::all($steps);

        return array_values($steps->filter(static fn (RunStep $s): bool => $s->state === RunStepState::Open && ($shares[$s->id] ?? null)?->mixedFor === null)->all());
    }

    /**
     * @param  list<RunStep>  $steps
     * @return list<PaintNeed> what runs out first comes first
     */
    public function pots(array $steps): array
    {
        $taken = $ids = [];
        foreach ($steps as $step) {
            array_push($ids, ...array_column($step->used_mix ?? $step->planned_mix, 'paintId'));
        }
        $pots = Paint::withTrashed()->whereKey(array_unique($ids))->get();
        foreach (PaintNeeds::cups($steps) as $cup) {
            foreach ($this->needs->millilitres($pots, ...$cup) as $paintId => $millilitres) {
                $taken[$paintId] = ($taken[$paintId] ?? 0.0) + $millilitres;
            }
        }
        $owner = $pots->firstWhere('good_until', '!==', null)?->painter()->first();
        $today = $owner === null ? null : BenchHours::today($owner);
        $found = [];
        foreach ($pots as $paint) {
            if (isset($taken[$paint->id])) {
                $found[] = PaintNeed::of($paint, $taken[$paint->id], $today);
            }
        }
        usort($found, static fn (PaintNeed $p, PaintNeed $q): int => [$q->need->missingMl, $q->need->needMl] <=> [$p->need->missingMl, $p->need->needMl]);

        return $found;
    }

    /** @param  list<RunStep>  $steps  with minutes for one figure */
    public function batch(array $steps, int $copies): Batch
    {
        return Batch::of(array_map(static fn (RunStep $s): array => [
            $s->planned_mix === [] ? 0.0 : self::SET_UP,
            (float) $s->minutes,
            (float) $s->drying_minutes,
        ], $steps), $copies);
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\PaintNeeds;
use App\Http\Props\Bench\PotNeedProps;
use App\Models\Bench\BatchMode;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;
use Hyalin\Bench\Batch;
use Hyalin\Bench\Quantity;

/**
 * What a figure, or the rest of a run, takes from the pots; and whether a batch is quicker step by step.
 *
 * @phpstan-import-type StepAttributes from PlanSteps
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

        return array_map(static function (array $attributes) use ($run): RunStep {
            $step = new RunStep($attributes);
            $step->setRelation('run', $run);

            return $step;
        }, ($this->plan)($figure));
    }

    /** @return list<RunStep> that are still to be done */
    public static function left(Run $run): array
    {
        return array_values($run->steps()->where('state', RunStepState::Open)->with('run')->get()->all());
    }

    /**
     * @param  list<RunStep>  $steps
     * @return list<PotNeedProps> what runs out first comes first
     */
    public function pots(array $steps): array
    {
        $millilitres = [];
        foreach ($steps as $step) {
            foreach ($this->needs->drops($step) as $paintId => $drops) {
                $millilitres[$paintId] = ($millilitres[$paintId] ?? 0.0) + $drops * Quantity::DROP_MILLILITRES;
            }
        }
        $found = [];
        foreach (Paint::withTrashed()->whereKey(array_keys($millilitres))->get() as $paint) {
            $found[] = PotNeedProps::of($paint, $millilitres[$paint->id]);
        }
        usort($found, static fn (PotNeedProps $p, PotNeedProps $q): int => [$q->missingMl, $q->needMl] <=> [$p->missingMl, $p->needMl]);

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

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\PlannedStep;
use App\Adapters\Bench\RunChanges;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use Hyalin\Bench\BatchMode;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * A run in progress takes over what has changed in its plan: new steps where they belong, open ones as they are to be done
 * now, those the plan no longer has skipped with that reason. What is done stays as it was done.
 */
final readonly class FollowPlan
{
    public const GONE = 'no longer in the plan';

    private const PARKED = 100_000;

    public function __construct(private PlanSteps $plan)
    {
    }

    /** @return int steps that were added, changed or skipped, of one figure */
    public function __invoke(Run $run): int
    {
        return DB::transaction(function () use ($run): int {
            $run->load(['figure', 'steps.areas', 'steps.parts']);
            $changes = RunChanges::of($run, ($this->plan)($run->figure));
            if ($changes->found->isEmpty()) {
                return 0;
            }
            $order = [];
            foreach ($run->steps->groupBy(static fn (RunStep $s): int => $s->copy ?? 0) as $steps) {
                array_push($order, ...self::followed($run, $changes, $steps));
            }
            // First out of the way, so that no two steps ever stand on one place.
            $run->steps()->update(['position' => DB::raw('position + '.self::PARKED)]);
            foreach ($order as $n => $step) {
                RunStep::query()->whereKey($step->id)->update(['position' => $n + 1]);
            }
            $run->finished_at = $run->steps()->where('state', RunStepState::Open)->exists() ? null : $run->finished_at;
            $run->save();
            $found = $changes->found;

            return count($found->added) + count($found->changed) + count($found->gone);
        });
    }

    /**
     * @param  Collection<int, RunStep>  $steps  of one figure, or of all that are painted together
     * @return list<RunStep> in their new order
     */
    private static function followed(Run $run, RunChanges $changes, Collection $steps): array
    {
        $copy = $steps->first()?->copy;
        $figures = $copy === null && $run->batch_mode === BatchMode::StepByStep ? $run->copies : 1;
        $order = [];
        foreach ($steps->sortBy('position') as $step) {
            $order[] = $step;
            if ($step->step_key === null || $step->is_inserted || $step->state !== RunStepState::Open) {
                continue;
            }
            if (in_array($step->step_key, $changes->found->changed, true)) {
                $step->fill(self::attributes($changes->planned[$step->step_key], $figures));
                $step->version++;
                $step->save();
            } elseif (in_array($step->step_key, $changes->found->gone, true)) {
                $step->fill(['state' => RunStepState::Skipped, 'skip_reason' => self::GONE, 'done_at' => now()]);
                $step->version++;
                $step->save();
            }
        }
        foreach ($changes->found->added as [$key, $after]) {
            $planned = $changes->planned[$key];
            $new = new RunStep([...self::attributes($planned, $figures), 'copy' => $copy, 'position' => 2 * self::PARKED + $run->steps()->count()]);
            $run->steps()->save($new);
            $new->areas()->sync($planned->areaIds);
            $new->parts()->sync($planned->partIds);
            $at = 0;
            foreach ($order as $n => $step) {
                $at = $after !== null && $step->step_key === $after ? $n + 1 : $at;
            }
            array_splice($order, $at, 0, [$new]);
        }

        return $order;
    }

    /** @return array<string, mixed> */
    private static function attributes(PlannedStep $planned, int $figures): array
    {
        $usual = $planned->usualMinutes();

        return [...$planned->attributes, 'minutes' => $figures * $planned->minutes(), 'usual_minutes' => $usual === null ? null : $figures * $usual];
    }
}

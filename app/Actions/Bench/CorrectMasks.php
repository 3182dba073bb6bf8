<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\PlannedStep;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use Hyalin\Bench\BatchMode;
use Hyalin\Plan\StepKind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Corrects the minutes of open masking steps in runs of an earlier version, which ran in a mode of PHP that stored wrong ones.
 * The step says what it was. Each run is looked at once: afterwards its numbers change only when its painter takes over a plan.
 */
final readonly class CorrectMasks
{
    public function __construct(private PlanSteps $plan)
    {
    }

    /** @return int steps that were put right */
    public function __invoke(): int
    {
        $corrected = 0;
        $open = static fn (Builder $steps): Builder => $steps->where('kind', StepKind::Mask)->where('state', RunStepState::Open)->whereNotNull('step_key');
        foreach (Run::query()->where('needs_mask_check', true)->whereHas('steps', $open)->with(['figure', 'steps'])->get() as $run) {
            $corrected += DB::transaction(function () use ($run): int {
                Run::query()->whereKey($run->id)->update(['needs_mask_check' => false]);

                return $this->ofRun($run);
            });
        }

        return $corrected;
    }

    private function ofRun(Run $run): int
    {
        $planned = [];
        foreach (($this->plan)($run->figure) as $step) {
            $key = $step->attributes['step_key'] ?? null;
            if (is_string($key)) {
                $planned[$key] = $step;
            }
        }
        $corrected = 0;
        foreach ($run->steps as $step) {
            $is = $planned[$step->step_key ?? ''] ?? null;
            if ($step->kind === StepKind::Mask && $step->state === RunStepState::Open && $is !== null) {
                $corrected += self::corrected($step, $is, $step->copy === null && $run->batch_mode === BatchMode::StepByStep ? $run->copies : 1);
            }
        }

        return $corrected;
    }

    private static function corrected(RunStep $step, PlannedStep $is, int $figures): int
    {
        $was = $step->minutes;
        $minutes = $figures * $is->minutes();
        if ($was === $minutes) {
            return 0;
        }
        $said = "Estimate corrected: {$minutes} minutes. An earlier version said {$was}.";
        $step->update([
            'minutes' => $minutes,
            'usual_minutes' => $is->usualMinutes() === null ? null : $figures * $is->usualMinutes(),
            'note' => $step->note === null ? $said : "{$step->note} {$said}",
            'version' => $step->version + 1,
        ]);

        return 1;
    }
}

<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use Hyalin\Bench\PlanChanges;
use Hyalin\Finish\Technique;

/**
 * Differences between the plan of a figure now and the steps of a run in progress.
 */
final readonly class RunChanges
{
    /**
     * @param  array<string, PlannedStep>  $planned  by key
     * @param  array<string, RunStep>  $steps  of one figure of the run, by key
     */
    private function __construct(public PlanChanges $found, public array $planned, public array $steps)
    {
    }

    /** @param  list<PlannedStep>  $planned  the plan as it is now */
    public static function of(Run $run, array $planned): self
    {
        $plan = $steps = [];
        foreach ($planned as $step) {
            $key = $step->attributes['step_key'] ?? null;
            if (is_string($key)) {
                $plan[$key] = $step;
            }
        }
        foreach ($run->steps as $step) {
            if ($step->step_key !== null && ! $step->is_inserted && ($step->copy === null || $step->copy === 1)) {
                $steps[$step->step_key] = $step;
            }
        }
        // Without an order there are no keys to compare by; what was begun goes on as it is.
        $found = $plan === [] || $steps === [] ? PlanChanges::between([], []) : PlanChanges::between(
            array_map(static fn (string $key, PlannedStep $s): array => [$key, self::signature($s->technique(), $s->attributes)], array_keys($plan), $plan),
            array_map(static fn (string $key, RunStep $s): array => [
                $key,
                self::signature($s->technique, ['zones' => $s->zones, 'thinner' => $s->thinner, 'coats' => $s->coats, 'planned_mix' => $s->planned_mix]),
                $s->state === RunStepState::Open,
            ], array_keys($steps), $steps),
        );

        return new self($found, $plan, $steps);
    }

    /**
     * What a painter would do otherwise: of work without paint, nothing.
     *
     * @param  array<string, mixed>  $attributes
     */
    private static function signature(?Technique $technique, array $attributes): string
    {
        if ($technique === null) {
            return '';
        }
        $mix = is_array($attributes['planned_mix'] ?? null) ? $attributes['planned_mix'] : [];
        $thinner = $attributes['thinner'] ?? null;

        return json_encode([
            $technique->value,
            $attributes['zones'] ?? [],
            is_numeric($thinner) ? (float) $thinner : 0.0,
            $attributes['coats'] ?? 1,
            array_map(static fn (mixed $e): array => is_array($e) ? [$e['paintId'] ?? 0, $e['drops'] ?? 0] : [], $mix),
        ], JSON_THROW_ON_ERROR);
    }
}

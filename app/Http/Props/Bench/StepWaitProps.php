<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\BenchState;
use App\Models\Bench\Run;
use App\Models\Bench\RunStepState;

/**
 * A step that wet paint holds up.
 */
final readonly class StepWaitProps
{
    /** @param  string  $until  ISO 8601 */
    private function __construct(public int $stepId, public string $until, public string $because)
    {
    }

    /** @return list<self> open steps only */
    public static function of(Run $run): array
    {
        $state = BenchState::of($run);
        $waits = [];
        foreach ($run->steps as $step) {
            $held = $step->state === RunStepState::Open ? $state->wetUnder($step, now()) : null;
            if ($held !== null) {
                $waits[] = new self($step->id, $held[1]->toIso8601String(), "{$held[0]->title()}, {$held[0]->where()}");
            }
        }

        return $waits;
    }
}

<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;

/**
 * The part of a step in a cup that serves several steps: the first open one mixes it for all, those after a done one find it mixed.
 */
final readonly class CupShare
{
    /**
     * @param  list<RunStep>  $next  open steps that the same cup serves after this one
     * @param  RunStep|null  $mixedFor  done already, from the same cup
     */
    private function __construct(public array $next = [], public ?RunStep $mixedFor = null)
    {
    }

    public static function own(): self
    {
        return new self();
    }

    /**
     * @param  iterable<RunStep>  $steps  of one run, in their order
     * @return array<int, self> by id of the step; missing for those that are done or skipped
     */
    public static function all(iterable $steps): array
    {
        $shares = [];
        foreach (PaintNeeds::cups($steps) as $cup) {
            $done = array_values(array_filter($cup, static fn (RunStep $s): bool => $s->state === RunStepState::Done));
            $open = array_values(array_filter($cup, static fn (RunStep $s): bool => $s->state === RunStepState::Open));
            foreach ($open as $n => $step) {
                $shares[$step->id] = new self($n === 0 && $done === [] ? array_slice($open, 1) : [], $done[0] ?? null);
            }
        }

        return $shares;
    }
}

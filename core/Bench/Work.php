<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * Work to be scheduled over sessions: steps with their hands-on minutes, and the lags between them.
 */
final readonly class Work
{
    /**
     * @param  list<array{string, float, bool}>  $steps  id, minutes, splittable
     * @param  list<array{string, string, float, float|null}>  $lags  from, to, least, most minutes
     * @param  array<string, float>  $notBefore  minute of the clock by step, where something done earlier still dries
     * @param  array<string, Handling>  $handlings  what is at hand for each step; missing where nothing is known of it
     */
    public function __construct(public array $steps, public array $lags, public array $notBefore = [], public array $handlings = [])
    {
    }

    /** Two pieces of work that know nothing of each other: one dries while the painter is at the other. */
    public function with(self $other): self
    {
        return new self([...$this->steps, ...$other->steps], [...$this->lags, ...$other->lags], [...$this->notBefore, ...$other->notBefore], [...$this->handlings, ...$other->handlings]);
    }

    /**
     * A step that no session is long enough for is broken off and gone on with.
     *
     * @param  list<array{float, float}>  $sessions  start, minutes
     *
     * @throws InvalidSchedule
     */
    public function over(array $sessions): ScheduleTask
    {
        $longest = $sessions === [] ? 0.0 : max(array_column($sessions, 1));
        $steps = array_map(static fn (array $s): array => [$s[0], $s[1], $s[2] || $s[1] > $longest], $this->steps);

        $unknown = new Handling('', '');
        $handlings = array_map(fn (array $s): Handling => $this->handlings[$s[0]] ?? $unknown, $steps);

        return ScheduleTask::of($steps, $this->lags, $sessions, $this->notBefore, $this->handlings === [] ? [] : array_combine(array_column($steps, 0), $handlings));
    }
}

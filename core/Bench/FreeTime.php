<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * Free stretches of the sessions, in order.
 */
final readonly class FreeTime
{
    /** @param  list<array{float, float}>  $stretches  start and end */
    public function __construct(public array $stretches)
    {
    }

    /**
     * The earliest time for a step.
     *
     * @param  float  $from  not before
     * @return array{float, float}|null start and end; null when it does not fit any more
     */
    public function earliest(float $from, float $minutes, bool $splittable): ?array
    {
        $start = null;
        $left = $minutes;
        foreach ($this->stretches as [$s, $e]) {
            $begin = max($s, $from);
            if ($begin > $e || ($begin === $e && $minutes > 0)) {
                continue;
            }
            if ($e - $begin >= $left - 1e-9) {
                return [$start ?? $begin, $begin + $left];
            }
            if ($splittable) {
                $start ??= $begin;
                $left -= $e - $begin;
            }
        }

        return null;
    }

    /** @return list<array{float, float}> the stretches between two moments, cut to them */
    public function within(float $from, float $to): array
    {
        $found = [];
        foreach ($this->stretches as [$s, $e]) {
            if ($e > $from && $s < $to) {
                $found[] = [max($s, $from), min($e, $to)];
            }
        }

        return $found;
    }

    /** Without the time from one moment to another. */
    public function without(float $from, float $to): self
    {
        $left = [];
        foreach ($this->stretches as [$s, $e]) {
            if ($e <= $from || $s >= $to) {
                $left[] = [$s, $e];

                continue;
            }
            if ($s < $from) {
                $left[] = [$s, $from];
            }
            if ($e > $to) {
                $left[] = [$to, $e];
            }
        }

        return new self($left);
    }
}

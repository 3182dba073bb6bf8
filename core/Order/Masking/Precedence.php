<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Plan\InvalidPlan;

/**
 * What must come before what: its closure, and the shortest way round where it cannot be.
 */
final readonly class Precedence
{
    /** @param  array<int, array<int, true>>  $after  by place: all that must come later, directly or not */
    private function __construct(public array $after)
    {
    }

    /**
     * @param  list<string>  $ids
     * @param  list<array{int, int}>  $before  places: the first before the second
     *
     * @throws InvalidPlan when they run in a circle, naming the shortest
     */
    public static function of(array $ids, array $before): self
    {
        $next = array_fill(0, count($ids), []);
        foreach ($before as [$a, $b]) {
            $next[$a][$b] = true;
        }
        $cycle = self::cycle($next);
        if ($cycle !== null) {
            throw InvalidPlan::cycle(array_map(static fn (int $place): string => $ids[$place], $cycle));
        }
        $after = [];
        foreach (array_keys($ids) as $start) {
            $seen = [];
            $open = array_keys($next[$start]);
            while ($open !== []) {
                $place = array_pop($open);
                if (! isset($seen[$place])) {
                    $seen[$place] = true;
                    array_push($open, ...array_keys($next[$place]));
                }
            }
            $after[$start] = $seen;
        }

        return new self($after);
    }

    /**
     * @param  int  $a  place of a step, from 0
     * @param  int  $b  place of another
     */
    public function mustPrecede(int $a, int $b): bool
    {
        return isset($this->after[$a][$b]);
    }

    /**
     * The shortest circle, by breadth-first search from every place.
     *
     * @param  array<int, array<int, true>>  $next
     * @return non-empty-list<int>|null
     */
    public static function cycle(array $next): ?array
    {
        $shortest = null;
        foreach (array_keys($next) as $start) {
            $from = [];
            $open = [$start];
            while ($open !== []) {
                $place = array_shift($open);
                foreach (array_keys($next[$place] ?? []) as $to) {
                    if ($to === $start) {
                        $round = [$place];
                        while ($round[0] !== $start) {
                            array_unshift($round, $from[$round[0]]);
                        }
                        $shortest = $shortest === null || count($round) < count($shortest) ? $round : $shortest;
                        break 2;
                    }
                    if (! isset($from[$to])) {
                        $from[$to] = $place;
                        $open[] = $to;
                    }
                }
            }
        }

        return $shortest;
    }
}

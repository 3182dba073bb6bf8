<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

/**
 * The cheapest order by dynamic programming over subsets: what it costs to paint a set first does not depend on what
 * comes after it (R. Bellman, Combinatorial processes and dynamic programming, 1960; for the linear ordering problem
 * R. Marti, G. Reinelt, The Linear Ordering Problem, 2011, section 3). 2^n sums, so up to 20 areas.
 */
final class SubsetOrder
{
    public const MOST = 20;

    private const HALF = 10;

    /**
     * @param  list<int>  $places  at most MOST
     * @return array{list<int>, float} the cheapest order of them that keeps the precedences, and its minutes
     */
    public static function find(MaskOrderTask $task, array $places): array
    {
        $n = count($places);
        [$low, $high, $needs] = self::tables($task, $places);
        $full = (1 << $n) - 1;
        /** @var array<int, float> $best flat lists of floats: this loop runs up to twenty million times */
        $best = array_fill(0, $full + 1, INF);
        $best[0] = 0.0;
        $half = (1 << self::HALF) - 1;
        for ($set = 0; $set < $full; $set++) {
            $here = $best[$set];
            if ($here === INF) {
                continue;
            }
            $left = $set & $half;
            $right = $set >> self::HALF;
            for ($j = 0; $j < $n; $j++) {
                if (($set >> $j & 1) === 1 || ($needs[$j] & ~$set) !== 0) {
                    continue;
                }
                $cost = $here + $low[($j << self::HALF) | $left] + $high[($j << self::HALF) | $right];
                $next = $set | 1 << $j;
                if ($cost < $best[$next]) {
                    $best[$next] = $cost;
                }
            }
        }
        $order = [];
        $set = $full;
        while ($set !== 0) {
            for ($j = 0; $j < $n; $j++) {
                $before = $set & ~(1 << $j);
                if (($set >> $j & 1) === 1 && ($needs[$j] & ~$before) === 0
                    && $best[$set] === $best[$before] + $low[($j << self::HALF) | ($before & $half)] + $high[($j << self::HALF) | ($before >> self::HALF)]) {
                    array_unshift($order, $j);
                    $set = $before;

                    continue 2;
                }
            }

            throw new \LogicException('every set that can be painted first was reached from one that is smaller');
        }

        return [array_map(static fn (int $j): int => $places[$j], $order), $best[$full]];
    }

    /**
     * What it costs to paint j after a set, as the sum of two tables over its lower and its upper half.
     *
     * @param  list<int>  $places
     * @return array{list<float>, list<float>, list<int>} the tables, and by place the set that must come before it
     */
    private static function tables(MaskOrderTask $task, array $places): array
    {
        $size = 1 << self::HALF;
        $low = $high = [];
        $needs = [];
        foreach ($places as $j => $to) {
            $costs = array_map(static fn (int $from): float => $from === $to ? 0.0 : $task->cost($from, $to), $places);
            $needs[$j] = 0;
            foreach ($places as $i => $from) {
                $needs[$j] |= $task->precedence->mustPrecede($from, $to) ? 1 << $i : 0;
            }
            for ($set = 0; $set < $size; $set++) {
                $sums = [0.0, 0.0];
                for ($bit = 0; $bit < self::HALF; $bit++) {
                    if (($set >> $bit & 1) === 1) {
                        $sums[0] += $costs[$bit] ?? 0.0;
                        $sums[1] += $costs[$bit + self::HALF] ?? 0.0;
                    }
                }
                $low[] = $sums[0];
                $high[] = $sums[1];
            }
        }

        return [$low, $high, array_values($needs)];
    }
}

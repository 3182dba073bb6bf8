<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

/**
 * A good order by local search: one area at a time is moved to where it costs least, from several starts, until nothing
 * moves (insertion neighbourhood; Marti and Reinelt 2011, section 2.3). The starts are the given order turned round and
 * about, so it ends the same each time.
 */
final class InsertionOrder
{
    private const STARTS = 12;

    /**
     * @param  list<int>  $places
     * @return list<int>
     */
    public static function find(MaskOrderTask $task, array $places): array
    {
        $best = null;
        $least = INF;
        for ($start = 0; $start < self::STARTS; $start++) {
            $order = self::improved($task, self::feasible($task, self::turned($places, $start)));
            $total = $task->total($order);
            if ($total < $least - 1e-9) {
                $least = $total;
                $best = $order;
            }
        }

        return $best ?? $places;
    }

    /**
     * In the order given as far as the precedences allow.
     *
     * @param  list<int>  $places
     * @return list<int>
     */
    public static function feasible(MaskOrderTask $task, array $places): array
    {
        $order = [];
        $open = $places;
        while ($open !== []) {
            foreach ($open as $n => $candidate) {
                $free = true;
                foreach ($open as $other) {
                    $free = $free && ! $task->precedence->mustPrecede($other, $candidate);
                }
                if ($free) {
                    $order[] = $candidate;
                    unset($open[$n]);
                    $open = array_values($open);
                    break;
                }
            }
        }

        return $order;
    }

    /**
     * From a good start, so that what does not matter stays where it was.
     *
     * @param  list<int>  $order  keeping the precedences
     * @return list<int>
     */
    public static function improved(MaskOrderTask $task, array $order): array
    {
        do {
            $moved = false;
            foreach ($order as $area) {
                $from = (int) array_search($area, $order, true);
                [$to, $gain] = self::bestMove($task, $order, $from);
                if ($gain > 1e-9) {
                    array_splice($order, $from, 1);
                    array_splice($order, $to, 0, [$area]);
                    $moved = true;
                }
            }
        } while ($moved);

        return $order;
    }

    /**
     * @param  list<int>  $order
     * @return array{int, float} where to, and the minutes it saves
     */
    private static function bestMove(MaskOrderTask $task, array $order, int $from): array
    {
        $area = $order[$from];
        $best = [$from, 0.0];
        foreach ([-1, 1] as $way) {
            $gain = 0.0;
            for ($to = $from + $way; $to >= 0 && $to < count($order); $to += $way) {
                $other = $order[$to];
                [$first, $second] = $way < 0 ? [$other, $area] : [$area, $other];
                if ($task->precedence->mustPrecede($first, $second)) {
                    break;
                }
                $gain += $task->cost($first, $second) - $task->cost($second, $first);
                if ($gain > $best[1]) {
                    $best = [$to, $gain];
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<int>  $places
     * @return list<int> begun elsewhere, and every other time backwards
     */
    private static function turned(array $places, int $start): array
    {
        $cut = intdiv(count($places) * $start, self::STARTS);
        $turned = [...array_slice($places, $cut), ...array_slice($places, 0, $cut)];

        return $start % 2 === 0 ? $turned : array_reverse($turned);
    }
}

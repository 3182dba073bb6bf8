<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Plan\InvalidPlan;

/**
 * Front door: the order that masks least. Areas that have nothing to do with each other are put in order apart; up to
 * 20 that do are solved exactly, more by branch and bound from a good order, and the answer says how far it may be off.
 */
final class MaskOrder
{
    private const MOST_NODES = 60_000;

    /** Areas of one block of the bound. */
    private const BLOCK = 12;

    public static function find(MaskOrderTask $task): MaskOrderAnswer
    {
        $last = self::brushedLast($task);
        $order = [];
        $optimal = true;
        $bound = 0.0;
        foreach (self::components($task, array_values(array_diff(array_keys($task->ids), $last))) as $places) {
            [$part, $minutes, $proven, $least] = self::component($task, $places);
            array_push($order, ...$part);
            $optimal = $optimal && $proven;
            $bound += $proven ? $minutes : $least;
        }
        array_push($order, ...InsertionOrder::feasible($task, $last));

        return MaskOrderAnswer::of($task, $order ?: throw InvalidPlan::empty(), $optimal, $bound);
    }

    /**
     * The painter's own order, judged the same way.
     *
     * @param  non-empty-list<string>  $order  every id once
     */
    public static function judge(MaskOrderTask $task, array $order): MaskOrderAnswer
    {
        $place = array_flip($task->ids);

        return MaskOrderAnswer::of($task, array_map(static fn (string $id): int => $place[$id], $order), false, 0.0);
    }

    /**
     * @param  list<int>  $places
     * @return array{list<int>, float, bool, float} order, minutes, whether proven, bound
     */
    private static function component(MaskOrderTask $task, array $places): array
    {
        if (count($places) <= SubsetOrder::MOST) {
            [$order, $minutes] = SubsetOrder::find($task, $places);

            return [$order, $minutes, true, $minutes];
        }
        [$order, $minutes, $proven] = BranchAndBoundOrder::find($task, InsertionOrder::find($task, $places), self::MOST_NODES);
        $bound = $proven ? $minutes : self::bound($task, $places);

        return [$order, $minutes, $proven || $bound >= $minutes - 1e-9, $bound];
    }

    /**
     * Blocks solved exactly, and the cheaper way round of every pair between blocks.
     *
     * @param  list<int>  $places
     */
    private static function bound(MaskOrderTask $task, array $places): float
    {
        $bound = BranchAndBoundOrder::pairwiseBound($task, $places);
        foreach (array_chunk($places, self::BLOCK) as $block) {
            $bound += SubsetOrder::find($task, $block)[1] - BranchAndBoundOrder::pairwiseBound($task, $block);
        }

        return $bound;
    }

    /**
     * Brushed areas that nothing has to wait for: last, they cost nothing.
     *
     * @return list<int>
     */
    private static function brushedLast(MaskOrderTask $task): array
    {
        $last = [];
        foreach (array_keys($task->ids) as $place) {
            $waited = $task->sprayed[$place] || $task->precedence->after[$place] !== [];
            foreach ($task->preferences as [$first]) {
                $waited = $waited || $first === $place;
            }
            if (! $waited) {
                $last[] = $place;
            }
        }

        return $last;
    }

    /**
     * @param  list<int>  $places
     * @return list<non-empty-list<int>> each in the order of the input
     */
    private static function components(MaskOrderTask $task, array $places): array
    {
        $open = array_flip($places);
        $components = [];
        foreach ($places as $start) {
            if (! isset($open[$start])) {
                continue;
            }
            unset($open[$start]);
            $component = [$start];
            for ($n = 0; $n < count($component); $n++) {
                $a = $component[$n];
                foreach (array_keys($open) as $b) {
                    if ($task->cost($a, $b) > 0 || $task->cost($b, $a) > 0 || $task->precedence->mustPrecede($a, $b) || $task->precedence->mustPrecede($b, $a)) {
                        $component[] = $b;
                        unset($open[$b]);
                    }
                }
            }
            sort($component);
            $components[] = $component;
        }

        return $components;
    }
}

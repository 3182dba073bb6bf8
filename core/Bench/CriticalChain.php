<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * The chain of steps that decides the finishing date: from the last step back, always to the one it waited for.
 */
final class CriticalChain
{
    private const SAME = 0.5;

    /** Minutes between two steps that only tool, cup and piece are changed in. */
    private const CHANGE = 20.0;

    /** @return list<array{int, Hold}> place of a step and what held it up, the first step first */
    public static function of(ScheduleTask $task, Schedule $schedule): array
    {
        $place = self::last($schedule);
        $chain = [];
        $seen = [];
        while ($place !== null && ! isset($seen[$place])) {
            $seen[$place] = true;
            [$hold, $by] = self::held($task, $schedule, $place);
            $chain[] = [$place, $hold];
            $place = $by;
        }

        return array_reverse($chain);
    }

    private static function last(Schedule $schedule): ?int
    {
        foreach ($schedule->placed as $place => [, $end]) {
            if ($end >= $schedule->finish - self::SAME) {
                return $place;
            }
        }

        return null;
    }

    /** @return array{Hold, int|null} */
    private static function held(ScheduleTask $task, Schedule $schedule, int $place): array
    {
        $start = $schedule->placed[$place][0];
        $latest = null;
        foreach ($task->before[$place] as $before) {
            $free = $schedule->placed[$before][1] + $task->after[$before][$place][0];
            if ($latest === null || $free > $latest[1]) {
                $latest = [$before, $free];
            }
        }
        if ($latest !== null && $latest[1] >= $start - self::SAME) {
            return [$task->after[$latest[0]][$place][0] > 0 ? Hold::Drying : Hold::Order, $latest[0]];
        }
        if (($task->notBefore[$place] ?? -INF) >= $start - self::SAME) {
            return [Hold::Drying, null];
        }
        $previous = self::lastBefore($schedule, $start + self::SAME, $place);
        if ($previous !== null && $schedule->placed[$previous][1] >= $start - self::CHANGE) {
            return [Hold::Bench, $previous];
        }

        // It begins a session: what was free before had to wait for the painter's hours.
        return [Hold::Hours, $latest[0] ?? self::lastBefore($schedule, $start, $place)];
    }

    private static function lastBefore(Schedule $schedule, float $start, int $place): ?int
    {
        $found = null;
        foreach ($schedule->placed as $other => [, $end]) {
            if ($other !== $place && $end <= $start && ($found === null || $end > $schedule->placed[$found][1])) {
                $found = $other;
            }
        }

        return $found;
    }
}

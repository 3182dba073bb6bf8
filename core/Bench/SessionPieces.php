<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * A schedule as it is worked off: what is broken off is done in pieces, in the time of its sessions that no other step has.
 */
final class SessionPieces
{
    /** @return list<array{int, float, float}> index of the step, from, to; in minutes of the clock */
    public static function of(ScheduleTask $task, Schedule $schedule): array
    {
        $spans = $schedule->placed;
        uasort($spans, static fn (array $p, array $q): int => $p[1] - $p[0] <=> $q[1] - $q[0]);
        $free = new FreeTime($task->sessions);
        $pieces = [];
        foreach ($spans as $index => [$from, $to]) {
            foreach ($from === $to ? [[$from, $to]] : $free->within($from, $to) as [$start, $end]) {
                $pieces[] = [$index, $start, $end];
                $free = $free->without($start, $end);
            }
        }

        return $pieces;
    }
}

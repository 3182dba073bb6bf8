<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * Front door: lays steps over sessions so that the last one ends early. Steps are placed one after the other, each as
 * early as it can be, filling gaps that were left (serial schedule generation, R. Kolisch, European Journal of Operational
 * Research 90, 1996); the order comes from several rules, the best result is kept. Up to seven steps every order is
 * tried. A step that must be followed in time is placed together with what follows it.
 */
final class BenchScheduler
{
    private const ALL_ORDERS = 7;

    private const TRIES = 24;

    /** Later starts tried for a step whose follower would come too late. */
    private const SHIFTS = 60;

    /** @var list<float> minutes from the start of a step to the end of all that waits for it */
    private readonly array $tail;

    private function __construct(private readonly ScheduleTask $task)
    {
        $tail = [];
        foreach (array_reverse(self::topological($task)) as $place) {
            $most = 0.0;
            foreach ($task->after[$place] as $next => [$least]) {
                $most = max($most, $least + ($tail[$next] ?? 0.0));
            }
            $tail[$place] = $task->minutes[$place] + $most;
        }
        $this->tail = array_map(static fn (int $place): float => $tail[$place], array_keys($task->ids));
    }

    /** @throws InvalidSchedule when some steps do not fit, saying why */
    public static function lay(ScheduleTask $task): Schedule
    {
        $scheduler = new self($task);
        $bound = $scheduler->bound();
        $best = null;
        $least = INF;
        $farthest = [];
        foreach ($scheduler->priorities() as $priority) {
            $placed = $scheduler->placed($priority);
            if (count($placed) > count($farthest)) {
                $farthest = $placed;
            }
            if (count($placed) === count($task->ids)) {
                $finish = max(array_map(static fn (array $p): float => $p[1], $placed));
                if ($finish < $least - 1e-9) {
                    $least = $finish;
                    $best = $placed;
                }
                if ($least <= $bound + 1e-9) {
                    break;
                }
            }
        }
        if ($best === null) {
            throw $scheduler->refusal($farthest);
        }

        return new Schedule($best, $least, min($bound, $least), $scheduler->used($best));
    }

    /** @param  array<int, array{float, float}>  $placed */
    private function refusal(array $placed): InvalidSchedule
    {
        $missing = array_values(array_map(fn (int $n): string => $this->task->ids[$n], array_diff(array_keys($this->task->ids), array_keys($placed))));
        $asked = array_sum($this->task->minutes);
        $there = array_sum(array_map(static fn (array $s): float => $s[1] - $s[0], $this->task->sessions));
        $why = $asked > $there
            ? "All steps take {$asked} minutes, the sessions have {$there}."
            : 'Drying runs past the last session, or two steps must be close together and no session is long enough: plan more or longer sessions.';

        return InvalidSchedule::doNotFit($missing ?: $this->task->ids, $why);
    }

    /**
     * Orders to try: the higher, the earlier. All of them for a few steps.
     *
     * @return iterable<list<float>>
     */
    private function priorities(): iterable
    {
        $n = count($this->task->ids);
        yield $this->tail;
        yield array_map(fn (int $p): float => (float) count($this->task->after[$p]) + $this->tail[$p] / 1e6, array_keys($this->task->ids));
        yield array_map(static fn (int $p): float => (float) -$p, array_keys($this->task->ids));
        if ($n <= self::ALL_ORDERS) {
            foreach (self::permutations(range(0, $n - 1)) as $order) {
                $rank = array_flip($order);
                yield array_map(static fn (int $p): float => (float) -$rank[$p], array_keys($this->task->ids));
            }

            return;
        }
        // The critical rule, shaken a little and always in the same way.
        for ($try = 1; $try <= self::TRIES; $try++) {
            yield array_map(fn (int $p): float => $this->tail[$p] * (1 + 0.02 * $try * sin(12.9898 * ($p + 1) * $try)), array_keys($this->task->ids));
        }
    }

    /**
     * @param  list<float>  $priority
     * @return array<int, array{float, float}> as far as it went
     */
    private function placed(array $priority): array
    {
        $placed = [];
        $free = new FreeTime($this->task->sessions);
        $waiting = array_keys($this->task->ids);
        while ($waiting !== []) {
            $next = null;
            foreach ($waiting as $place) {
                if ($this->isReady($place, $placed) && ($next === null || $priority[$place] > $priority[$next])) {
                    $next = $place;
                }
            }
            $done = $next === null ? null : $this->with($next, $placed, $free);
            if ($done === null) {
                break;
            }
            [$placed, $free] = $done;
            $waiting = array_values(array_filter($waiting, static fn (int $p): bool => ! isset($placed[$p])));
        }

        return $placed;
    }

    /**
     * Ready when all it waits for is placed, and all that those wait for that must follow it in time.
     *
     * @param  array<int, array{float, float}>  $placed
     */
    private function isReady(int $place, array $placed): bool
    {
        foreach ($this->task->before[$place] as $before) {
            if (! isset($placed[$before])) {
                return false;
            }
        }
        foreach ($this->task->after[$place] as $next => [, $most]) {
            foreach ($most === null ? [] : $this->task->before[$next] as $other) {
                if ($other !== $place && ! isset($placed[$other]) && ! $this->follows($other, $place)) {
                    return false;
                }
            }
        }

        return true;
    }

    private function follows(int $later, int $earlier): bool
    {
        foreach (array_keys($this->task->after[$earlier]) as $next) {
            if ($next === $later || $this->follows($later, $next)) {
                return true;
            }
        }

        return false;
    }

    /**
     * A step placed, with all that must follow it in time; later and later until they do.
     *
     * @param  array<int, array{float, float}>  $placed
     * @return array{array<int, array{float, float}>, FreeTime}|null
     */
    private function with(int $place, array $placed, FreeTime $free): ?array
    {
        $from = $this->task->notBefore[$place] ?? -INF;
        $until = INF;
        foreach ($this->task->before[$place] as $before) {
            [$least, $most] = $this->task->after[$before][$place];
            $from = max($from, $placed[$before][1] + $least);
            $until = $most === null ? $until : min($until, $placed[$before][1] + $most);
        }
        for ($shift = 0; $shift < self::SHIFTS; $shift++) {
            $at = $free->earliest($from, $this->task->minutes[$place], $this->task->splittable[$place]);
            if ($at === null || $at[0] > $until + 1e-9) {
                return null;
            }
            $tried = $this->followed($place, $at, $placed, $free);
            if (is_array($tried)) {
                return $tried;
            }
            // As much later as the follower came too late, or at the next free stretch.
            $from = max($at[0] + $tried, $at[0] + 1.0);
        }

        return null;
    }

    /**
     * @param  array{float, float}  $at
     * @param  array<int, array{float, float}>  $placed
     * @return array{array<int, array{float, float}>, FreeTime}|float the minutes a follower comes too late
     */
    private function followed(int $place, array $at, array $placed, FreeTime $free): array|float
    {
        $placed[$place] = $at;
        $free = $free->without($at[0], $at[1]);
        foreach ($this->task->after[$place] as $next => [$least, $most]) {
            if ($most === null || isset($placed[$next]) || ! $this->isReady($next, $placed)) {
                continue;
            }
            $done = $this->with($next, $placed, $free);
            if ($done === null) {
                $earliest = $free->earliest($at[1] + $least, $this->task->minutes[$next], $this->task->splittable[$next]);

                return $earliest === null ? 1.0 : max(1.0, $earliest[0] - $at[1] - $most);
            }
            [$placed, $free] = $done;
        }

        return [$placed, $free];
    }

    /** @return float the later of the critical path laid over the sessions as if there were many painters, and all work packed */
    private function bound(): float
    {
        $free = new FreeTime($this->task->sessions);
        $ends = [];
        foreach (self::topological($this->task) as $place) {
            $from = $this->task->notBefore[$place] ?? -INF;
            foreach ($this->task->before[$place] as $before) {
                $from = max($from, ($ends[$before] ?? -INF) + $this->task->after[$before][$place][0]);
            }
            $ends[$place] = $free->earliest($from, $this->task->minutes[$place], true)[1] ?? INF;
        }
        $packed = $free->earliest(-INF, array_sum($this->task->minutes), true)[1] ?? INF;

        return max($packed, ...array_values($ends));
    }

    /** @param  array<int, array{float, float}>  $placed */
    private function used(array $placed): int
    {
        return count(array_filter($this->task->sessions, static function (array $session) use ($placed): bool {
            foreach ($placed as [$start, $end]) {
                if ($start < $session[1] && $end > $session[0]) {
                    return true;
                }
            }

            return false;
        }));
    }

    /** @return list<int> */
    private static function topological(ScheduleTask $task): array
    {
        $order = [];
        $seen = [];
        $visit = static function (int $place) use (&$visit, &$order, &$seen, $task): void {
            if (isset($seen[$place])) {
                return;
            }
            $seen[$place] = true;
            foreach ($task->before[$place] as $before) {
                $visit($before);
            }
            $order[] = $place;
        };
        foreach (array_keys($task->ids) as $place) {
            $visit($place);
        }

        return $order;
    }

    /**
     * @param  list<int>  $places
     * @return iterable<list<int>>
     */
    private static function permutations(array $places): iterable
    {
        if (count($places) < 2) {
            yield $places;

            return;
        }
        foreach ($places as $n => $first) {
            foreach (self::permutations([...array_slice($places, 0, $n), ...array_slice($places, $n + 1)]) as $rest) {
                yield [$first, ...$rest];
            }
        }
    }
}

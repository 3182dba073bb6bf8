<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * The earliest times of steps done in one sequence. Every rule says "not before": what must follow soon holds back what it
 * follows, so that raising times until all rules hold ends at the earliest schedule of that sequence, or past the last
 * session (least fixed point of monotone maps: A. Tarski, Pacific Journal of Mathematics 5, 1955, 285).
 *
 * Flat arrays by place: a search asks for thousands of sequences.
 */
final class SequenceTiming
{
    private const EPSILON = 1e-9;

    /** Rounds after which times that still rise are taken to rise without end. */
    private const ROUNDS = 4000;

    /** @var list<float> */
    private array $minutes;

    /** @var list<float> not before */
    private array $from;

    /** @var list<list<array{int, float, float|null}>> by place: what it waits for, least and most minutes */
    private array $waits = [];

    /** @var list<list<float>> by place of the step after and of the step before; empty where nothing is known of what is at hand */
    private array $change = [];

    /** @var list<float> by place: to begin a sitting with it */
    private array $begin = [];

    /** @var list<int> by place: 1 dust, 2 wet, 0 neither */
    private array $kind = [];

    /** @var list<float> */
    private array $opens;

    /** @var list<float> */
    private array $closes;

    public function __construct(private readonly ScheduleTask $task)
    {
        $this->minutes = $task->minutes;
        $this->opens = array_column($task->sessions, 0);
        $this->closes = array_column($task->sessions, 1);
        foreach (array_keys($task->ids) as $place) {
            $this->from[] = $task->notBefore[$place] ?? $this->opens[0];
            $this->waits[] = array_map(static fn (int $before): array => [$before, ...$task->after[$before][$place]], $task->before[$place]);
        }
        foreach ($task->handlings as $own) {
            $this->begin[] = $own->after(null);
            $this->kind[] = ($own->makesDust ? 1 : 0) + ($own->leavesWet ? 2 : 0);
            $this->change[] = array_map(static fn (Handling $before): float => $own->after($before), $task->handlings);
        }
    }

    /**
     * @param  list<int>  $sequence  places, keeping the order of all lags; a beginning of one will do
     * @return array{array<int, float>, array<int, float>, float}|null starts and ends by place, and minutes of changing over;
     *                                                                  null when it cannot be done in the sessions
     */
    public function of(array $sequence): ?array
    {
        $position = array_flip($sequence);
        $from = $this->from;
        $start = $end = $session = $class = [];
        $changes = $broken = [];
        $rounds = 0;
        for ($n = 0; $n < count($sequence); $n++) {
            $place = $sequence[$n];
            $least = $from[$place];
            foreach ($this->waits[$place] as [$before, $lag]) {
                $least = max($least, $end[$before] + $lag);
            }
            $previous = $n > 0 ? $sequence[$n - 1] : null;
            // What may be broken off goes on when the step that broke it off is done; not where each change of hand costs.
            [$off, $inside] = $broken[$n - 1] ?? [null, []];
            $isInside = $off !== null && ! $this->task->splittable[$place] && $least < $end[$off] - self::EPSILON && $this->begin === [];
            $free = match (true) {
                $previous === null => -INF,
                $isInside => $inside === [] ? $start[$off] : $inside[count($inside) - 1][1],
                $off !== null => max($end[$off], $end[$previous]),
                default => $end[$previous],
            };
            $last = $isInside ? -1 : ($session[$n - 1] ?? -1);
            $fit = $this->fit($place, $least, $isInside ? null : $previous, $free, $last, $isInside ? 0 : $class[$n - 1] ?? 0);
            if ($fit === null) {
                return null;
            }
            [$start[$place], $end[$place], $session[$n], $class[$n], $changes[$n]] = $fit;
            $broken[$n] = match (true) {
                $this->task->splittable[$place] => [$place, []],
                $isInside => [$off, [...$inside, [$start[$place], $end[$place]]]],
                default => [null, []],
            };
            if ($isInside) {
                $until = $this->around($start[$off], $this->minutes[$off], $broken[$n][1]);
                if ($until === null) {
                    return null;
                }
                [$end[$off], $session[$n]] = [$until, max($session[$n], $this->sessionAt($until))];
            }
            $back = $n;
            foreach ($this->waits[$place] as [$before, , $most]) {
                // What it follows was done too early: that one is held back, with all between them.
                $late = $most === null ? 0.0 : $start[$place] - $most - $end[$before];
                if ($late > self::EPSILON) {
                    $from[$before] = max($from[$before], $start[$before] + $late);
                    $back = min($back, $position[$before]);
                }
            }
            if ($back < $n) {
                if (++$rounds > self::ROUNDS) {
                    return null;
                }
                $n = $back - 1;
                // What was broken off is so far only by what comes before that step.
                [$off, $inside] = $broken[$n] ?? [null, []];
                if ($off !== null) {
                    $end[$off] = $this->around($start[$off], $this->minutes[$off], $inside) ?? INF;
                }
            }
        }

        return [$start, $end, array_sum($changes)];
    }

    /** @return int the session in which a moment lies, or the next one */
    public function sessionAt(float $moment): int
    {
        $low = 0;
        $high = count($this->closes);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($this->closes[$middle] < $moment - self::EPSILON) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * @param  float  $least  not before
     * @param  float  $free  end of the step before
     * @param  int  $last  session in which that ended, -1 for none
     * @param  int  $class  what that session has seen: 1 dust, 2 wet paint, 3 both never
     * @return array{float, float, int, int, float}|null start, end, session of its end, class of that, minutes of changing over
     */
    private function fit(int $place, float $least, ?int $previous, float $free, int $last, int $class): ?array
    {
        $kind = $this->kind[$place] ?? 0;
        $length = $this->minutes[$place];
        $count = count($this->opens);
        for ($s = $this->sessionAt(max($least, $free)); $s < $count; $s++) {
            $isSame = $s === $last;
            if ($isSame && $kind !== 0 && $class !== 0 && $kind !== $class) {
                continue;
            }
            $change = match (true) {
                $this->begin === [] => 0.0,
                $isSame && $previous !== null => $this->change[$place][$previous],
                default => $this->begin[$place],
            };
            $begin = max($least, ($isSame ? $free : max($this->opens[$s], $free)) + $change, $this->opens[$s]);
            $room = $this->closes[$s] - $begin;
            if ($room >= $length - self::EPSILON) {
                return [$begin, $begin + $length, $s, $kind | ($isSame ? $class : 0), $change];
            }
            if ($this->task->splittable[$place] && $room > self::EPSILON) {
                return $this->split($s, $begin, $length - $room, $kind, $change);
            }
        }

        return null;
    }

    /**
     * The end of a step that is broken off and gone on with.
     *
     * @param  list<array{float, float}>  $inside  the time of others, in order
     */
    private function around(float $start, float $minutes, array $inside): ?float
    {
        $left = $minutes;
        $at = $start;
        $next = 0;
        for ($s = $this->sessionAt($start); $s < count($this->opens); $s++) {
            $at = max($at, $this->opens[$s]);
            while ($at < $this->closes[$s] - self::EPSILON) {
                while (isset($inside[$next]) && $inside[$next][1] <= $at + self::EPSILON) {
                    $next++;
                }
                $until = min($this->closes[$s], $inside[$next][0] ?? INF);
                if ($until > $at && $until - $at >= $left - self::EPSILON) {
                    return $at + $left;
                }
                $left -= max(0.0, $until - $at);
                $at = $until < $this->closes[$s] && isset($inside[$next]) ? max($until, $inside[$next][1]) : $until;
            }
        }

        return null;
    }

    /** @return array{float, float, int, int, float}|null */
    private function split(int $session, float $begin, float $left, int $kind, float $change): ?array
    {
        for ($s = $session + 1; $s < count($this->opens); $s++) {
            $room = $this->closes[$s] - $this->opens[$s];
            if ($room >= $left - self::EPSILON) {
                return [$begin, $this->opens[$s] + $left, $s, $kind, $change];
            }
            $left -= $room;
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Order\Masking\InsertionMoves;

/**
 * Front door: lays steps over sessions so that the last one ends in the earliest session, with the fewest changes of tool,
 * cup and piece, and then as early as can be. It looks for the best sequence; the times of one are exact (SequenceTiming).
 * Sequences are built by several rules of priority, completed by depth-first search with a bound where none is feasible or
 * the steps are few, and improved by moving runs of steps (insertion neighbourhood), from shaken copies of the best one
 * (R. Kolisch, European Journal of Operational Research 90, 1996; B. Franck, K. Neumann, C. Schwindt, OR Spektrum 23, 2001,
 * for maximal lags). It ends the same each time.
 */
final class BenchScheduler
{
    /** Up to so many steps every sequence is tried that could be better, as long as that takes no more than so many looks. */
    private const FEW = 16;

    /** Partial sequences looked at most, by each rule of priority. */
    private const NODES = 6_000;

    /** Steps timed at most while a schedule is improved, and for each of its steps: at most about two seconds. */
    private const EFFORT = 3_000_000;

    private const EFFORT_A_STEP = 25_000;

    /** Longest run of steps moved together. */
    private const RUN = 3;

    /** Weights of a step's tail against its earliest start, and of a window that closes. */
    private const RULES = [0.0, 0.05, 0.2, 1.0, 5.0, 1000.0];

    /** @var list<float> minutes from the start of a step to the end of all that waits for it */
    private readonly array $tail;

    /** @var list<array<int, true>> by place: all that must come later, directly or not */
    private readonly array $later;

    private readonly SequenceTiming $timing;

    private readonly InsertionMoves $moves;

    /** @var list<int>|null */
    private ?array $best = null;

    /** @var array{int, float, float} session of the finish, minutes of changing over, finish */
    private array $least = [PHP_INT_MAX, INF, INF];

    private int $nodes = 0;

    private int $effort = 0;

    private readonly int $most;

    private int $seed = 1;

    private function __construct(private readonly ScheduleTask $task)
    {
        $this->timing = new SequenceTiming($task);
        $this->most = min(self::EFFORT, self::EFFORT_A_STEP * count($task->ids));
        $tail = $later = [];
        foreach (array_reverse(self::topological($task)) as $place) {
            $most = 0.0;
            $later[$place] = [];
            foreach ($task->after[$place] as $next => [$least]) {
                $most = max($most, $least + ($tail[$next] ?? 0.0));
                $later[$place] += [$next => true] + ($later[$next] ?? []);
            }
            $tail[$place] = $task->minutes[$place] + $most;
        }
        $places = array_keys($task->ids);
        $this->tail = array_map(static fn (int $place): float => $tail[$place], $places);
        $this->later = array_map(static fn (int $place): array => $later[$place], $places);
        $this->moves = new InsertionMoves(static fn (int $first, int $second): bool => isset($later[$first][$second]));
    }

    /** @throws InvalidSchedule when no sequence was found that fits, saying why */
    public static function lay(ScheduleTask $task): Schedule
    {
        $scheduler = new self($task);
        $bound = $scheduler->bound();
        foreach (self::RULES as $weight) {
            $scheduler->offer($scheduler->built($weight));
        }
        if ($scheduler->best === null || count($task->ids) <= self::FEW) {
            $scheduler->search();
        }
        if ($scheduler->best === null) {
            throw $scheduler->refusal();
        }
        $scheduler->improve($bound);
        [$start, $end] = $scheduler->timing->of($scheduler->best ?? []) ?? throw new \LogicException('a sequence that was timed is timed again');
        $placed = array_map(static fn (int $place): array => [$start[$place], $end[$place]], array_keys($task->ids));
        $finish = $scheduler->least[2];

        return new Schedule($placed, $finish, min($bound, $finish), $scheduler->used($placed));
    }

    /**
     * Keeps a sequence that is better than the best one.
     *
     * @param  list<int>  $sequence
     */
    private function offer(array $sequence): bool
    {
        $this->effort += count($sequence);
        $timed = $this->timing->of($sequence);
        if ($timed === null || count($sequence) < count($this->task->ids)) {
            return false;
        }
        $finish = $timed[1] === [] ? 0.0 : max($timed[1]);
        $found = [$this->timing->sessionAt($finish), round($timed[2], 6), round($finish, 6)];
        if (($found <=> $this->least) >= 0) {
            return false;
        }
        [$this->best, $this->least] = [$sequence, $found];

        return true;
    }

    /**
     * One step after the other, each time the one that can begin earliest, less so much of what waits for it. A step is left
     * aside while it would let a window close that is open.
     *
     * @return list<int>
     */
    private function built(float $weight): array
    {
        $sequence = [];
        $open = array_fill(0, count($this->task->ids), true);
        while ($open !== []) {
            $timed = $this->timing->of($sequence);
            if ($timed === null) {
                return $sequence;
            }
            $next = $this->candidates($sequence, $open, $timed[1], $weight)[0] ?? null;
            if ($next === null) {
                return $sequence;
            }
            $sequence[] = $next;
            unset($open[$next]);
        }

        return $sequence;
    }

    /**
     * Steps that may come next, the best first.
     *
     * @param  list<int>  $sequence
     * @param  array<int, true>  $open
     * @param  array<int, float>  $end
     * @return list<int>
     */
    private function candidates(array $sequence, array $open, array $end, float $weight): array
    {
        $free = $sequence === [] ? -INF : $end[$sequence[count($sequence) - 1]];
        $closing = $this->closing($open, $end);
        $found = [];
        foreach (array_keys($open) as $place) {
            $from = max($free, $this->task->notBefore[$place] ?? $this->task->sessions[0][0]);
            foreach ($this->task->before[$place] as $before) {
                if (isset($open[$before])) {
                    continue 2;
                }
                $from = max($from, $end[$before] + $this->task->after[$before][$place][0]);
            }
            $session = $this->task->sessions[$this->timing->sessionAt($from)] ?? null;
            $begin = $session === null ? INF : max($from, $session[0]);
            // A follower that is waited for, and what it waits for, goes before all others that would make it late.
            $urgent = 1;
            foreach ($closing as $follower => $until) {
                if ($place === $follower || isset($this->later[$place][$follower])) {
                    $urgent = 0;
                } elseif ($begin + $this->task->minutes[$place] > $until + 1e-9) {
                    $urgent = max($urgent, 2);
                }
            }
            $cost = $this->task->handlings === [] || $sequence === [] ? 0.0 : $this->task->handlings[$place]->after($this->task->handlings[$sequence[count($sequence) - 1]]);
            $found[] = [$urgent, $begin + $cost - $weight * $this->tail[$place], -$this->tail[$place], $place];
        }
        sort($found);

        return array_column($found, 3);
    }

    /**
     * Windows that are open: the latest start of what must follow.
     *
     * @param  array<int, true>  $open
     * @param  array<int, float>  $end
     * @return array<int, float> by place of the follower
     */
    private function closing(array $open, array $end): array
    {
        $closing = [];
        foreach ($end as $place => $done) {
            foreach ($this->task->after[$place] as $next => [, $most]) {
                if ($most !== null && isset($open[$next])) {
                    $closing[$next] = min($closing[$next] ?? INF, $done + $most);
                }
            }
        }

        return $closing;
    }

    /** Depth first, by one rule after the other until one has seen all there is, or there is a schedule of many steps. */
    private function search(): void
    {
        foreach (self::RULES as $weight) {
            $this->nodes = 0;
            $this->complete([], array_fill(0, count($this->task->ids), true), $weight);
            if ($this->nodes <= self::NODES || ($this->best !== null && count($this->task->ids) > self::FEW)) {
                return;
            }
        }
    }

    /**
     * All ways to go on, the best first, as long as they could still be better than the best one.
     *
     * @param  list<int>  $sequence
     * @param  array<int, true>  $open
     */
    private function complete(array $sequence, array $open, float $weight): void
    {
        if ($open === []) {
            $this->offer($sequence);

            return;
        }
        if (++$this->nodes > self::NODES || ! $this->canCloseWindows($sequence, $open)) {
            return;
        }
        $timed = $this->timing->of($sequence);
        if ($timed === null || ! $this->mayBeBetter($sequence, $open, $timed[1], $timed[2])) {
            return;
        }
        foreach ($this->candidates($sequence, $open, $timed[1], $weight) as $next) {
            $rest = $open;
            unset($rest[$next]);
            $this->complete([...$sequence, $next], $rest, $weight);
        }
    }

    /**
     * Whether what lies between a step and its follower, and what the follower still waits for, takes no longer than the window.
     *
     * @param  list<int>  $sequence
     * @param  array<int, true>  $open
     */
    private function canCloseWindows(array $sequence, array $open): bool
    {
        $since = 0.0;
        for ($n = count($sequence) - 1; $n >= 0; $n--) {
            foreach ($this->task->after[$sequence[$n]] as $next => [, $most]) {
                if ($most === null || ! isset($open[$next])) {
                    continue;
                }
                $work = $since;
                foreach (array_keys($open) as $place) {
                    $work += isset($this->later[$place][$next]) ? $this->task->minutes[$place] : 0.0;
                }
                if ($work > $most + 1e-9) {
                    return false;
                }
            }
            $since += $this->task->minutes[$sequence[$n]];
        }

        return true;
    }

    /**
     * @param  list<int>  $sequence
     * @param  array<int, true>  $open
     * @param  array<int, float>  $end
     */
    private function mayBeBetter(array $sequence, array $open, array $end, float $changes): bool
    {
        if ($this->best === null) {
            return true;
        }
        $free = $sequence === [] ? $this->task->sessions[0][0] : $end[$sequence[count($sequence) - 1]];
        $work = $tail = 0.0;
        foreach (array_keys($open) as $place) {
            $work += $this->task->minutes[$place];
            $tail = max($tail, $this->tail[$place]);
        }
        $packed = (new FreeTime($this->task->sessions))->earliest($free, $work, true)[1] ?? INF;
        $least = max($packed, $free + $tail);
        $session = $this->timing->sessionAt($least);

        return ([$session, $changes, round($least, 6)] <=> $this->least) < 0;
    }

    /** Runs of steps are moved as long as that is better, then from a shaken copy again, until the effort is spent. */
    private function improve(float $bound): void
    {
        $count = count($this->task->ids);
        $isBest = fn (): bool => $this->task->handlings === [] && $this->least[2] <= $bound + 1e-6;
        $this->descend();
        while ($count > self::FEW && $this->best !== null && $this->effort < $this->most && ! $isBest()) {
            $kept = [$this->best, $this->least];
            $this->restart($kept[0]);
            if (($this->least <=> $kept[1]) > 0) {
                [$this->best, $this->least] = $kept;
            }
        }
    }

    /**
     * A shaken copy, improved; it may end worse.
     *
     * @param  list<int>  $sequence
     */
    private function restart(array $sequence): void
    {
        $this->best = null;
        $this->least = [PHP_INT_MAX, INF, INF];
        for ($try = 0; $try < 20; $try++) {
            if ($this->offer($this->shaken($sequence))) {
                $this->descend();

                return;
            }
        }
    }

    private function descend(): void
    {
        $count = count($this->task->ids);
        do {
            $isBetter = false;
            for ($length = 1; $length <= min(self::RUN, $count - 1); $length++) {
                for ($from = 0; $from + $length <= $count && $this->effort < $this->most; $from++) {
                    $isBetter = $this->moved($from, $length) || $isBetter;
                }
            }
        } while ($isBetter && $this->effort < $this->most);
    }

    private function moved(int $from, int $length): bool
    {
        foreach ($this->moves->of($this->best ?? [], $from, $length) as $tried) {
            if ($this->offer($tried)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<int>  $sequence
     * @return list<int> with a few steps moved as far as they may
     */
    private function shaken(array $sequence): array
    {
        for ($n = 0; $n < 3; $n++) {
            $from = $this->drawn(count($sequence));
            $step = $sequence[$from];
            $way = $this->drawn(2) === 0 ? -1 : 1;
            $to = $from;
            $far = 1 + $this->drawn(max(1, intdiv(count($sequence), 3)));
            while ($far-- > 0 && isset($sequence[$to + $way]) && $this->moves->mayPass([$step], $sequence[$to + $way], $way)) {
                $to += $way;
            }
            array_splice($sequence, $from, 1);
            array_splice($sequence, $to, 0, [$step]);
        }

        return $sequence;
    }

    /** @return int 0 and up, less than $below; the example of ISO C (9899, 7.22.2), always the same from the beginning */
    private function drawn(int $below): int
    {
        $this->seed = ($this->seed * 1_103_515_245 + 12_345) & 0x7FFFFFFF;

        return intdiv($this->seed, 65_536) % $below;
    }

    private function refusal(): InvalidSchedule
    {
        $built = $this->built(0.2);
        $missing = array_values(array_map(fn (int $n): string => $this->task->ids[$n], array_diff(array_keys($this->task->ids), $built)));
        $asked = array_sum($this->task->minutes);
        $there = array_sum(array_map(static fn (array $s): float => $s[1] - $s[0], $this->task->sessions));
        $why = $asked > $there
            ? "All steps take {$asked} minutes, the sessions have {$there}."
            : 'Drying runs past the last session, or two steps must be close together and no session is long enough: plan more or longer sessions.';

        return InvalidSchedule::doNotFit($missing === [] ? [$this->task->ids[$built[count($built) - 1]]] : $missing, $why);
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

    /** @param  list<array{float, float}>  $placed */
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
}

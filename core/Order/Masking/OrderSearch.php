<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

/**
 * The order of all steps that costs least: masks as they are really put on and held, and preferences that are not met.
 * Steps, and short runs of steps, are moved for as long as a move saves anything (insertion neighbourhood; Marti and
 * Reinelt 2011, section 2.3); with few sprays, from every order of them. It ends the same each time.
 */
final class OrderSearch
{
    /** Of so many sprays every order is tried as a start. */
    private const ALL_SPRAYS = 6;

    private const BEST_STARTS = 4;

    /** Longest run of steps moved together. */
    private const RUN = 4;

    /** Elementary sums spent at most: about two seconds. */
    private const BUDGET = 12_000_000;

    private int $left;

    /** Sums of one look at an order. */
    private readonly int $effort;

    private readonly InsertionMoves $moves;

    private function __construct(private readonly MaskOrderTask $task, private readonly MaskOrderTask $guide, private readonly MaskRun $run)
    {
        $this->left = self::BUDGET;
        $this->moves = new InsertionMoves($task->precedence->mustPrecede(...));
        $this->effort = 3 * count($task->ids) + count($task->preferences) + 8 * count($run->sprays());
    }

    /**
     * @param  MaskOrderTask  $task  preferences alone
     * @param  MaskOrderTask  $guide  with what each pair of spray and finished area costs by itself
     * @param  list<int>  $natural  an order that keeps the precedences
     * @return list<int>
     */
    public static function find(MaskOrderTask $task, MaskOrderTask $guide, MaskRun $run, array $natural): array
    {
        $search = new self($task, $guide, $run);
        $best = $natural;
        $least = INF;
        foreach ($search->starts($natural) as $start) {
            [$order, $cost] = $search->improved($start);
            if ($cost < $least - 1e-9) {
                [$best, $least] = [$order, $cost];
            }
        }

        return $best;
    }

    /**
     * @param  list<int>  $natural
     * @return list<list<int>> the most promising first
     */
    private function starts(array $natural): array
    {
        $starts = [InsertionOrder::improved($this->guide, $natural)];
        $sprays = $this->run->sprays();
        if (count($sprays) > 1 && count($sprays) <= self::ALL_SPRAYS) {
            $found = [];
            foreach (self::permutations($sprays) as $sequence) {
                $order = $this->inSequence($sequence, $natural);
                $found[implode(' ', $order)] = [$this->cost($order), $order];
            }
            usort($found, static fn (array $p, array $q): int => $p[0] <=> $q[0]);
            array_push($starts, ...array_column(array_slice($found, 0, self::BEST_STARTS), 1));
        }

        return $starts;
    }

    /**
     * The sprays one after the other, each with what it has to wait for and nothing else before it.
     *
     * @param  list<int>  $sequence
     * @param  list<int>  $natural
     * @return list<int>
     */
    private function inSequence(array $sequence, array $natural): array
    {
        $order = [];
        foreach ($sequence as $spray) {
            foreach ($natural as $step) {
                if (! isset($order[$step]) && ($step === $spray || $this->task->precedence->mustPrecede($step, $spray))) {
                    $order[$step] = $step;
                }
            }
        }
        foreach ($natural as $step) {
            $order[$step] ??= $step;
        }

        return array_values($order);
    }

    /**
     * @param  list<int>  $order
     * @return array{list<int>, float}
     */
    private function improved(array $order): array
    {
        $cost = $this->cost($order);
        do {
            $before = $cost;
            for ($length = 1; $length <= self::RUN && $cost > 1e-9; $length++) {
                for ($from = 0; $from + $length <= count($order) && $this->left > 0; $from++) {
                    [$order, $cost] = $this->moved($order, $cost, $from, $length);
                }
            }
        } while ($cost < $before - 1e-9 && $this->left > 0);

        return [$order, $cost];
    }

    /**
     * A run of steps where it costs least.
     *
     * @param  list<int>  $order
     * @return array{list<int>, float}
     */
    private function moved(array $order, float $cost, int $from, int $length): array
    {
        $best = [$order, $cost];
        foreach ($this->moves->of($order, $from, $length) as $tried) {
            $found = $this->cost($tried);
            if ($found < $best[1] - 1e-9) {
                $best = [$tried, $found];
            }
        }

        return $best;
    }

    /** @param  list<int>  $order */
    private function cost(array $order): float
    {
        $this->left -= $this->effort;
        $at = array_flip($order);
        $cost = $this->run->cost($order);
        foreach ($this->task->preferences as [$first, $second, $weight]) {
            $cost += $at[$second] < $at[$first] ? $weight : 0.0;
        }

        return $cost;
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

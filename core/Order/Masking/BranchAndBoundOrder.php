<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

/**
 * The cheapest order by branch and bound: areas are placed one after the other, and a beginning is given up when even the
 * cheaper way round of every pair still open could not make it cheaper than the best order known.
 */
final class BranchAndBoundOrder
{
    private float $best;

    /** @var list<int> */
    private array $order;

    private int $nodes = 0;

    /** @param  list<int>  $start  an order that keeps the precedences */
    private function __construct(private readonly MaskOrderTask $task, array $start, private readonly int $mostNodes)
    {
        $this->order = $start;
        $this->best = $task->total($start);
    }

    /**
     * @param  list<int>  $start  an order that keeps the precedences, the better the quicker
     * @return array{list<int>, float, bool} order, minutes, whether it is proven the cheapest
     */
    public static function find(MaskOrderTask $task, array $start, int $mostNodes): array
    {
        $search = new self($task, $start, $mostNodes);
        $search->place([], $start, 0.0);

        return [$search->order, $search->best, $search->nodes <= $mostNodes];
    }

    /**
     * @param  list<int>  $open
     * @return float minutes that no order of these can go below
     */
    public static function pairwiseBound(MaskOrderTask $task, array $open): float
    {
        $bound = 0.0;
        foreach ($open as $n => $a) {
            for ($m = $n + 1; $m < count($open); $m++) {
                $b = $open[$m];
                $bound += match (true) {
                    $task->precedence->mustPrecede($a, $b) => $task->cost($a, $b),
                    $task->precedence->mustPrecede($b, $a) => $task->cost($b, $a),
                    default => min($task->cost($a, $b), $task->cost($b, $a)),
                };
            }
        }

        return $bound;
    }

    /**
     * @param  list<int>  $placed
     * @param  list<int>  $open
     * @param  float  $spent  minutes of all pairs of which the first is placed
     */
    private function place(array $placed, array $open, float $spent): void
    {
        if ($open === []) {
            if ($spent < $this->best - 1e-9) {
                $this->best = $spent;
                $this->order = $placed;
            }

            return;
        }
        if (++$this->nodes > $this->mostNodes || $spent + self::pairwiseBound($this->task, $open) >= $this->best - 1e-9) {
            return;
        }
        $next = [];
        foreach ($open as $candidate) {
            $cost = 0.0;
            foreach ($open as $other) {
                if ($other !== $candidate) {
                    if ($this->task->precedence->mustPrecede($other, $candidate)) {
                        continue 2;
                    }
                    $cost += $this->task->cost($candidate, $other);
                }
            }
            $next[] = [$cost, $candidate];
        }
        sort($next);
        foreach ($next as [$cost, $candidate]) {
            $this->place([...$placed, $candidate], array_values(array_filter($open, static fn (int $o): bool => $o !== $candidate)), $spent + $cost);
        }
    }
}

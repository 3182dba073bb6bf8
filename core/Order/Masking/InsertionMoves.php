<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Closure;

/**
 * The insertion neighbourhood of an order under precedences: a run of steps taken out and put in elsewhere (R. Marti and G. Reinelt,
 * The Linear Ordering Problem, 2011, section 2.3).
 */
final readonly class InsertionMoves
{
    /** @param  Closure(int, int): bool  $mustPrecede  whether the first must come before the second, directly or not */
    public function __construct(private Closure $mustPrecede)
    {
    }

    /**
     * @param  list<int>  $order
     * @param  int  $from  0 and up, place of the run's first step
     * @param  int  $length  1 and up
     * @return iterable<list<int>> each order that keeps the precedences, towards the beginning first, the nearest place first
     */
    public function of(array $order, int $from, int $length): iterable
    {
        $run = array_slice($order, $from, $length);
        $rest = [...array_slice($order, 0, $from), ...array_slice($order, $from + $length)];
        foreach ([-1, 1] as $way) {
            for ($to = $from + $way; $to >= 0 && $to <= count($rest); $to += $way) {
                if (! $this->mayPass($run, $rest[$way < 0 ? $to : $to - 1], $way)) {
                    break;
                }
                $moved = $rest;
                array_splice($moved, $to, 0, $run);
                yield $moved;
            }
        }
    }

    /**
     * @param  list<int>  $run
     * @param  int  $way  -1 towards the beginning, 1 towards the end
     */
    public function mayPass(array $run, int $other, int $way): bool
    {
        foreach ($run as $step) {
            if ($way < 0 ? ($this->mustPrecede)($other, $step) : ($this->mustPrecede)($step, $other)) {
                return false;
            }
        }

        return true;
    }
}

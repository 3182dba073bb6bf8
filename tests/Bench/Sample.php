<?php

declare(strict_types=1);

namespace Tests\Bench;

/**
 * Durations in milliseconds and what one says of them.
 */
final class Sample
{
    /** @var list<float> */
    private array $milliseconds = [];

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function time(callable $work): mixed
    {
        $start = hrtime(true);
        $result = $work();
        $this->milliseconds[] = (hrtime(true) - $start) / 1e6;

        return $result;
    }

    public function median(): float
    {
        return $this->quantile(0.5);
    }

    /** @param  float  $q 0..1 */
    public function quantile(float $q): float
    {
        $sorted = $this->milliseconds;
        sort($sorted);

        return $sorted[(int) min(count($sorted) - 1, floor($q * count($sorted)))] ?? NAN;
    }
}

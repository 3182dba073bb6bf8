<?php

declare(strict_types=1);

namespace Hyalin;

/**
 * The progress of one part of a longer work.
 */
final readonly class ProgressShare implements Progress
{
    private function __construct(private Progress $whole, private float $from, private float $to)
    {
    }

    /**
     * @param  Progress|null  $whole  null for work that nobody watches
     * @param  float  $from  fraction of the whole at which the part begins
     * @param  float  $to  and ends
     * @return self|null null where nobody watches
     */
    public static function of(?Progress $whole, float $from, float $to): ?self
    {
        return $whole === null ? null : new self($whole, $from, $to);
    }

    public function at(float $fraction): bool
    {
        return $this->whole->at($this->from + ($this->to - $this->from) * $fraction);
    }
}

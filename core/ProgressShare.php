<?php

declare(strict_types=1);

namespace Hyalin;

/**
 * The progress of one part of a longer work.
 */
final readonly class ProgressShare implements Progress
{
    /**
     * @param  float  $from  fraction of the whole at which the part begins
     * @param  float  $to  and ends
     */
    public function __construct(private Progress $whole, private float $from, private float $to)
    {
    }

    public function at(float $fraction): bool
    {
        return $this->whole->at($this->from + ($this->to - $this->from) * $fraction);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How one painter's hand differs from the usual profile of a technique, as factors of it.
 */
final readonly class Hand
{
    /**
     * @param  float  $coverage  > 0; what it makes of a zone stays at most 1
     * @param  float  $thickness  > 0
     */
    public function __construct(public float $coverage, public float $thickness)
    {
    }
}

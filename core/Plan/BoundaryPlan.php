<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Where two areas meet.
 */
final readonly class BoundaryPlan
{
    /** @param  float  $mm  length of the border; 0 says that they do not meet */
    public function __construct(public string $a, public string $b, public float $mm, public bool $isCurved = true)
    {
    }
}

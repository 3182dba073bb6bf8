<?php

declare(strict_types=1);

namespace Hyalin\Order\Plan;

/**
 * Where two areas meet.
 */
final readonly class BoundaryPlan
{
    /** @param  float  $mm  length of the border, more than 0 */
    public function __construct(public string $a, public string $b, public float $mm, public bool $isCurved = true)
    {
    }
}

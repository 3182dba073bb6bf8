<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

/**
 * A correction learnt in one direction in which a prediction was unsure.
 */
final readonly class Learnt
{
    /**
     * @param  float  $shift  how far along it the truth lies most probably, in its standard deviations
     * @param  float  $left  what is left of the standard deviation, as a share of it, 0..1
     */
    public function __construct(public Cause $cause, public string $way, public float $shift, public float $left)
    {
    }
}

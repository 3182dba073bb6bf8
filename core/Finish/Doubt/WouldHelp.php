<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

/**
 * What would make a finish surer than anything else: a pot to measure, or a technique to paint chips of.
 */
final readonly class WouldHelp
{
    /**
     * @param  float  $before  CIEDE2000 within which the zones lie two out of three times, in the mean
     * @param  float  $after  the same when it is done; an estimate
     */
    public function __construct(public Cause $cause, public float $before, public float $after)
    {
    }
}

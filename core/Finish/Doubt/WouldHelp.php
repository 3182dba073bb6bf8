<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

/**
 * The measurement that would make a finish surer than any other: of a pot, or of chips in one technique.
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

<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Another area beside an area: as stated, or as usual for a figure of that build.
 */
final readonly class Meeting
{
    /**
     * @param  float  $mm  of their border; 0 where they stand beside each other without one
     * @param  bool  $isEstimated  nobody has stated the border
     * @param  bool  $touches  whether they meet; what does not is reached by a can only
     * @param  StepId|null  $glue  the joint that brings them together; null when they are one piece
     */
    public function __construct(public AreaPlan $other, public float $mm, public bool $isCurved, public bool $isEstimated, public bool $touches, public ?StepId $glue)
    {
    }
}

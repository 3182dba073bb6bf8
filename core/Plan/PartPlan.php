<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * A printed part as it comes off the printer.
 */
final readonly class PartPlan
{
    /**
     * @param  bool  $isBase  what the figure stands on
     * @param  bool  $isFiddly  too small to hold
     * @param  int|null  $gritFrom  P grit to begin with; null for the usual
     * @param  int|null  $gritTo  P grit to end with
     * @param  int|null  $sandingRounds  of filler primer one expects until the inspection passes
     * @param  string|null  $attachments  magnets, pins, straps and fixings, in words
     */
    public function __construct(public string $id, public string $name, public PrintProcess $process, public bool $isBase = false, public bool $isFiddly = false, public ?string $attachments = null, public ?int $gritFrom = null, public ?int $gritTo = null, public ?int $sandingRounds = null)
    {
    }
}

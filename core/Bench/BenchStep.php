<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Plan\StepKind;

/**
 * A step as it stands at the bench: where it is done, and whether it is done already.
 */
final readonly class BenchStep
{
    /**
     * @param  list<string>  $areas  ids; empty for work on parts
     * @param  list<string>  $parts  ids
     * @param  int  $dryMinutes  until something may go over it
     * @param  float|null  $doneAt  minute of any one clock; null while it is open
     * @param  bool  $blendsWet  into the layer beneath while that is wet
     */
    public function __construct(public StepKind $kind, public array $areas, public array $parts, public int $dryMinutes, public ?float $doneAt = null, public bool $blendsWet = false)
    {
    }

    /** @return float minute at which it is dry */
    public function dryAt(): float
    {
        return ($this->doneAt ?? -INF) + $this->dryMinutes;
    }
}

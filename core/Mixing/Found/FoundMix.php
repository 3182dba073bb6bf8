<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Found;

use Hyalin\Colour\Lab;

/**
 * One mix in whole drops and what it gives.
 */
final readonly class FoundMix
{
    /**
     * @param  non-empty-array<int, int>  $drops  drops by the paint's place on the shelf, each >= 1, in shelf order
     * @param  Lab  $lab  seen in the end
     * @param  float  $difference  CIEDE2000 to the target
     * @param  float  $score  see MixScore
     */
    public function __construct(public array $drops, public Lab $lab, public float $difference, public float $score)
    {
    }

    /** @return int drops of all paints */
    public function totalDrops(): int
    {
        return array_sum($this->drops);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Cup;

use Hyalin\Colour\Lab;

/**
 * An addition to a cup, and the colour that it leads to.
 */
final readonly class Addition
{
    /**
     * @param  array<string, int>  $drops  by ingredient; empty when the cup is best left alone
     * @param  float  $removed  mL to take out first
     * @param  Lab  $lab  seen colour afterwards
     * @param  float  $difference  CIEDE2000 to the target afterwards
     */
    public function __construct(public array $drops, public float $removed, public Lab $lab, public float $difference)
    {
    }
}

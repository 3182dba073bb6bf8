<?php

declare(strict_types=1);

namespace App\Http\Props\Cups;

use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;
use Hyalin\Colour\Likeness;

/**
 * Additions that would bring a cup to its target.
 */
final readonly class SteeringProps
{
    /** @param  list<DropsProps>  $drops  to add; empty when it is best left alone */
    public function __construct(public array $drops, public float $removeMl, public ColourProps $colour, public float $difference, public Likeness $likeness)
    {
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Colour\Lab;

/**
 * The colour of one painted place.
 */
final readonly class PlaceReading
{
    /**
     * @param  Lab  $colour  under D65, as seen
     * @param  float  $radius  CIEDE2000 within which it lies two out of three times; an estimate
     */
    public function __construct(public Lab $colour, public CleanPart $part, public float $radius)
    {
    }
}

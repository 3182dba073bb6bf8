<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\Colour\Lab;

final readonly class PaletteColour
{
    /** @param  float  $share  of the pixels, 0..1 */
    public function __construct(public Lab $colour, public float $share)
    {
    }
}

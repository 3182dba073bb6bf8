<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\Colour\Lab;
use Hyalin\Finish\Zone;

/**
 * What of a picture is likely one area of a figure: pixels of one hue and chroma, from dark to light.
 */
final readonly class ColourArea
{
    /**
     * @param  float  $share  of the figure, 0..1
     * @param  array<string, array{Lab, float, float}>  $ramp  by zone, recess to edge: colour, and the place that shows it, 0..1 from the left and the top; the mid alone where it is of one tone
     * @param  list<int>  $pixels  in rows from the top
     */
    public function __construct(public float $share, public array $ramp, public array $pixels)
    {
    }

    public function mid(): Lab
    {
        return $this->ramp[Zone::Mid->value][0];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

/**
 * Takes the lamp and the camera out of a picture: from the light a camera recorded to the light the same surface sends
 * under D65.
 */
interface ColourCorrection
{
    /**
     * @param  array{float, float, float}  $linear  linear-light sRGB, 1 = white
     * @return array{float, float, float} the same, unclipped
     */
    public function corrected(array $linear): array;
}

<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Xyz;
use Hyalin\Finish\Zone;

/**
 * Where the light of a picture comes from. Light that is painted on is to be painted; light that fell on the thing when
 * it was photographed will fall on the painted figure as well, and must not be copied a second time.
 */
enum Shading: string
{
    case Painted = 'painted on';
    case RealLight = 'real light';

    /** Share of the light that reaches each zone under a room's light from above: own estimate. */
    private const REACHES = ['recess' => 0.55, 'shade' => 0.75, 'mid' => 0.9, 'light' => 1.0, 'edge' => 1.0];

    /** @return Lab the colour to be painted in a zone that looks like this in the picture */
    public function toBePainted(Lab $seen, Zone $zone): Lab
    {
        if ($this === self::Painted) {
            return $seen;
        }
        $xyz = $seen->toXyz();
        // Never lighter than white: the picture's own exposure may have been generous.
        $factor = min(1 / self::REACHES[$zone->value], max(1.0, 95 / max(1e-6, $xyz->y)));

        return Xyz::of($factor * $xyz->x, $factor * $xyz->y, $factor * $xyz->z, $xyz->white)->toLab();
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\Numeric\Matrix3;

/**
 * Chromatic adaptation by the linear Bradford transform (Lam 1985; the linearised form of ICC.1), full adaptation.
 */
final class Bradford
{
    private const CONE = [
        [0.8951, 0.2664, -0.1614],
        [-0.7502, 1.7135, 0.0367],
        [0.0389, -0.0685, 1.0296],
    ];

    public static function adapt(Xyz $colour, Illuminant $to): Xyz
    {
        if ($colour->white === $to) {
            return $colour;
        }
        $adapted = self::between(
            $colour->toArray(),
            SpectralSum::under($colour->white)->white(),
            SpectralSum::under($to)->white(),
        );

        return Xyz::of(...$adapted, white: $to);
    }

    /**
     * @param  array{float, float, float}  $xyz
     * @param  array{float, float, float}  $from  white the colour is seen under, same scale
     * @param  array{float, float, float}  $to
     * @return array{float, float, float}
     */
    public static function between(array $xyz, array $from, array $to): array
    {
        $cone = Matrix3::of(self::CONE);
        $seen = $cone->times($xyz);
        $source = $cone->times($from);
        $target = $cone->times($to);

        return $cone->solve([
            $seen[0] * $target[0] / $source[0],
            $seen[1] * $target[1] / $source[1],
            $seen[2] * $target[2] / $source[2],
        ]);
    }
}

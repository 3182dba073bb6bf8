<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * CIEDE2000, ISO/CIE 11664-6, with kL = kC = kH = 1.
 *
 * Written from G. Sharma, W. Wu, E. N. Dalal, Color Research and Application 30(1), 21-30 (2005); equation numbers
 * are that paper's.
 */
final class Ciede2000
{
    private const POW25_7 = 6103515625.0;

    /**
     * Plain numbers instead of values: the mix search calls this in its inner loop.
     *
     * @return float colour difference, >= 0; symmetric in its two colours
     */
    public static function between(float $l1, float $a1, float $b1, float $l2, float $a2, float $b2): float
    {
        // (2)-(7): a* stretched for near-neutral colours
        $meanChroma = (\sqrt($a1 * $a1 + $b1 * $b1) + \sqrt($a2 * $a2 + $b2 * $b2)) / 2;
        $stretch = 1.5 - 0.5 * self::chromaWeight($meanChroma);
        $a1 *= $stretch;
        $a2 *= $stretch;
        $c1 = \sqrt($a1 * $a1 + $b1 * $b1);
        $c2 = \sqrt($a2 * $a2 + $b2 * $b2);
        $h1 = $c1 > 0.0 ? \rad2deg(\atan2($b1, $a1)) : 0.0;
        $h2 = $c2 > 0.0 ? \rad2deg(\atan2($b2, $a2)) : 0.0;
        if ($h1 < 0.0) {
            $h1 += 360.0;
        }
        if ($h2 < 0.0) {
            $h2 += 360.0;
        }

        // (8)-(11): differences. The tolerance keeps exactly opposite hues (pairs 10 and 14 of the paper) on the
        // side the paper puts them, whatever the rounding.
        $chromatic = $c1 * $c2 > 0.0;
        $dh = $chromatic ? $h2 - $h1 : 0.0;
        if ($dh > 180.0 + 1e-9) {
            $dh -= 360.0;
        } elseif ($dh < -180.0 - 1e-9) {
            $dh += 360.0;
        }
        $dHue = 2 * \sqrt($c1 * $c2) * \sin(\deg2rad($dh) / 2);

        // (12)-(14): means
        $meanL = ($l1 + $l2) / 2;
        $meanC = ($c1 + $c2) / 2;
        $sum = $h1 + $h2;
        if (! $chromatic) {
            $meanH = $sum;
        } elseif (\abs($h1 - $h2) <= 180.0 + 1e-9) {
            $meanH = $sum / 2;
        } else {
            $meanH = $sum < 360.0 ? ($sum + 360.0) / 2 : ($sum - 360.0) / 2;
        }

        // (15)-(21): weights and the rotation of the blue region
        $t = 1
            - 0.17 * \cos(\deg2rad($meanH - 30))
            + 0.24 * \cos(\deg2rad(2 * $meanH))
            + 0.32 * \cos(\deg2rad(3 * $meanH + 6))
            - 0.20 * \cos(\deg2rad(4 * $meanH - 63));
        $offset = ($meanL - 50) * ($meanL - 50);
        $l = ($l2 - $l1) / (1 + 0.015 * $offset / \sqrt(20 + $offset));
        $c = ($c2 - $c1) / (1 + 0.045 * $meanC);
        $h = $dHue / (1 + 0.015 * $meanC * $t);
        $blue = ($meanH - 275) / 25;
        $rotation = -2 * self::chromaWeight($meanC) * \sin(\deg2rad(60 * \exp(-$blue * $blue)));

        // (22); rounding may leave a tiny negative for equal colours
        return \sqrt(\max(0.0, $l * $l + $c * $c + $h * $h + $rotation * $c * $h));
    }

    /** @return float sqrt(C^7 / (C^7 + 25^7)), 0..1 */
    public static function chromaWeight(float $chroma): float
    {
        $c3 = $chroma * $chroma * $chroma;
        $c7 = $c3 * $c3 * $chroma;

        return \sqrt($c7 / ($c7 + self::POW25_7));
    }
}

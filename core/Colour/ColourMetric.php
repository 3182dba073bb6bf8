<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * CIEDE2000 around one colour as a plain distance: three rows that turn a small difference (dL*, da*, db*) into a
 * vector whose length is the difference to first order. From the terms of Sharma, Wu, Dalal (2005), with the
 * rotation term completed to a square.
 */
final readonly class ColourMetric
{
    /** @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $rows */
    private function __construct(public array $rows)
    {
    }

    /**
     * @param  float  $lightness  L*, 0..100
     * @param  float  $a  a*
     * @param  float  $b  b*
     */
    public static function at(float $lightness, float $a, float $b): self
    {
        $stretch = 1.5 - 0.5 * Ciede2000::chromaWeight(hypot($a, $b));
        $chroma = hypot($a * $stretch, $b);
        [$ex, $ey] = $chroma > 1e-9 ? [$a * $stretch / $chroma, $b / $chroma] : [1.0, 0.0];
        $hue = rad2deg(atan2($ey, $ex));
        if ($hue < 0) {
            $hue += 360;
        }
        $t = 1
            - 0.17 * cos(deg2rad($hue - 30))
            + 0.24 * cos(deg2rad(2 * $hue))
            + 0.32 * cos(deg2rad(3 * $hue + 6))
            - 0.20 * cos(deg2rad(4 * $hue - 63));
        $offset = ($lightness - 50) ** 2;
        $sl = 1 + 0.015 * $offset / sqrt(20 + $offset);
        $sc = 1 + 0.045 * $chroma;
        $sh = 1 + 0.015 * $chroma * $t;
        $blue = ($hue - 275) / 25;
        $rotation = -2 * Ciede2000::chromaWeight($chroma) * sin(deg2rad(60 * exp(-$blue ** 2)));
        $c = [$ex * $stretch / $sc, $ey / $sc];
        $h = [-$ey * $stretch / $sh, $ex / $sh];
        $rest = sqrt(max(0.0, 1 - $rotation ** 2 / 4));

        return new self([
            [1 / $sl, 0.0, 0.0],
            [0.0, $c[0] + $rotation / 2 * $h[0], $c[1] + $rotation / 2 * $h[1]],
            [0.0, $rest * $h[0], $rest * $h[1]],
        ]);
    }

    /**
     * @param  array{float, float, float}  $d
     * @return array{float, float, float}
     */
    public function of(array $d): array
    {
        [$p, $q, $r] = $this->rows;

        return [$p[0] * $d[0], $q[1] * $d[1] + $q[2] * $d[2], $r[1] * $d[1] + $r[2] * $d[2]];
    }
}

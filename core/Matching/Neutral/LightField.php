<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

/**
 * How the light falls off across a picture: each channel by a plane in the logarithm, from patches that are known to be alike.
 * Lamps from the side do that; what is between the patches is known, beyond them it is carried on.
 */
final readonly class LightField
{
    /** No lamp is taken to change the light by more than this factor across a picture. */
    private const MOST = 8.0;

    /**
     * @param  array{array{float, float}, array{float, float}, array{float, float}}  $slopes  of ln light along x and y, by channel
     */
    private function __construct(private float $x, private float $y, private array $slopes)
    {
    }

    /**
     * Two patches tell how the light changes along the line through them, three or more in every direction.
     *
     * @param  non-empty-list<array{float, float}>  $at  their middles, 0..1 of width and height; the first is the one that the rest is
     *                                                made like
     * @param  non-empty-list<array{float, float, float}>  $light  what was taken there over what should have been, by channel, > 0
     */
    public static function through(array $at, array $light): self
    {
        [$x0, $y0] = $at[0];
        $slopes = [];
        foreach ([0, 1, 2] as $channel) {
            $xx = $xy = $yy = $xr = $yr = 0.0;
            foreach ($at as $i => [$x, $y]) {
                $dx = $x - $x0;
                $dy = $y - $y0;
                $ratio = log($light[$i][$channel] / $light[0][$channel]);
                $xx += $dx * $dx;
                $xy += $dx * $dy;
                $yy += $dy * $dy;
                $xr += $dx * $ratio;
                $yr += $dy * $ratio;
            }
            // A trace of ridge: patches on a line leave the slope across it at nought.
            $ridge = 1e-6 + 1e-3 * ($xx + $yy);
            $determinant = ($xx + $ridge) * ($yy + $ridge) - $xy * $xy;
            $slopes[] = [(($yy + $ridge) * $xr - $xy * $yr) / $determinant, (($xx + $ridge) * $yr - $xy * $xr) / $determinant];
        }

        return new self($x0, $y0, [$slopes[0], $slopes[1], $slopes[2]]);
    }

    /** @return float the largest factor between two corners of the picture, 1 or more */
    public function contrast(): float
    {
        return min(self::MOST, exp(max(array_map(static fn (array $s): float => abs($s[0]) + abs($s[1]), $this->slopes))));
    }

    /**
     * @param  array{float, float, float}  $linear
     * @param  float  $x  0..1 of the width
     * @param  float  $y  0..1 of the height
     * @return array{float, float, float} as it would be in the light of the first patch
     */
    public function evened(array $linear, float $x, float $y): array
    {
        $factor = function (int $channel) use ($x, $y): float {
            [$a, $b] = $this->slopes[$channel];

            return exp(max(-log(self::MOST), min(log(self::MOST), -$a * ($x - $this->x) - $b * ($y - $this->y))));
        };

        return [$linear[0] * $factor(0), $linear[1] * $factor(1), $linear[2] * $factor(2)];
    }
}

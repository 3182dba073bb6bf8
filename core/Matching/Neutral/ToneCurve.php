<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

/**
 * Inverse of a camera's tone curve, channel by channel, from the greys of a chart: a curve through them that rises
 * everywhere, in the cube root of the light, where its steps are even to the eye.
 *
 * Monotone cubic interpolation of F. N. Fritsch, R. E. Carlson, SIAM J. Numer. Anal. 17, 238 (1980); beyond the lightest
 * grey it goes on straight, below the darkest straight to black.
 */
final readonly class ToneCurve
{
    /** @param  array{list<array{float, float, float}>, list<array{float, float, float}>, list<array{float, float, float}>}  $curves  seen, true, slope; rising */
    private function __construct(private array $curves)
    {
    }

    /**
     * @param  list<array{float, float, float}>  $seen  linear-light sRGB of greys as they were taken
     * @param  list<float>  $true  their luminance, 0..1
     * @return self|null null when a channel does not rise with the greys: noise, or no greys
     */
    public static function through(array $seen, array $true): ?self
    {
        $curves = [];
        foreach ([0, 1, 2] as $channel) {
            $points = [[0.0, 0.0]];
            foreach ($seen as $i => $grey) {
                $points[] = [self::root($grey[$channel]), self::root($true[$i])];
            }
            sort($points);
            foreach ($points as $n => [$from, $to]) {
                if ($n > 0 && ($from - $points[$n - 1][0] < 1e-4 || $to - $points[$n - 1][1] < 1e-4)) {
                    return null;
                }
            }
            $curves[] = self::sloped($points);
        }

        return new self([$curves[0], $curves[1], $curves[2]]);
    }

    /**
     * @param  array{float, float, float}  $linear  as it was taken
     * @return array{float, float, float} as if the camera had no tone curve, neutral for a grey
     */
    public function linearised(array $linear): array
    {
        return [$this->at(0, $linear[0]), $this->at(1, $linear[1]), $this->at(2, $linear[2])];
    }

    private function at(int $channel, float $light): float
    {
        $curve = $this->curves[$channel];
        $x = self::root($light);
        $n = count($curve);
        if ($x >= $curve[$n - 1][0]) {
            return ($curve[$n - 1][1] + $curve[$n - 1][2] * ($x - $curve[$n - 1][0])) ** 3;
        }
        $i = 0;
        while ($i < $n - 2 && $x > $curve[$i + 1][0]) {
            $i++;
        }
        [$x0, $y0, $d0] = $curve[$i];
        [$x1, $y1, $d1] = $curve[$i + 1];
        $h = $x1 - $x0;
        $t = ($x - $x0) / $h;
        $y = $y0 * (1 + 2 * $t) * (1 - $t) ** 2 + $h * $d0 * $t * (1 - $t) ** 2 + $y1 * $t * $t * (3 - 2 * $t) + $h * $d1 * $t * $t * ($t - 1);

        return $y ** 3;
    }

    /**
     * @param  list<array{float, float}>  $points  rising in both
     * @return list<array{float, float, float}> with slopes that keep it rising
     */
    private static function sloped(array $points): array
    {
        $secants = [];
        for ($i = 1; $i < count($points); $i++) {
            $secants[] = ($points[$i][1] - $points[$i - 1][1]) / ($points[$i][0] - $points[$i - 1][0]);
        }
        $curve = [];
        foreach ($points as $i => [$x, $y]) {
            $before = $secants[$i - 1] ?? $secants[$i];
            $after = $secants[$i] ?? $secants[$i - 1];
            // The harmonic mean is never more than twice the lesser: within the region of Fritsch and Carlson.
            $curve[] = [$x, $y, 2 * $before * $after / ($before + $after)];
        }

        return $curve;
    }

    private static function root(float $light): float
    {
        return max(0.0, $light) ** (1 / 3);
    }
}

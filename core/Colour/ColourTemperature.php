<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\Colour\Tables\StandardObserver1931;

/**
 * The correlated colour temperature of a light, and how far it lies from the black bodies: every lamp one paints or
 * photographs by lies near them.
 *
 * CIE 15: the nearest point of the Planckian locus in the (u, 2/3 v') diagram, here found by halving the reciprocal
 * temperature; Planck's law with c2 = 1.4388e-2 m K (ITS-90).
 */
final readonly class ColourTemperature
{
    private const C2_NANOMETRES = 1.4388e7;

    private const HOTTEST = 25_000.0;

    private const COLDEST = 1_000.0;

    /**
     * @param  float  $kelvin  1000..25000
     * @param  float  $distance  in the 1960 (u, v) diagram; positive on the green side, negative on the purple one
     */
    private function __construct(public float $kelvin, public float $distance)
    {
    }

    public static function of(Xyz $light): self
    {
        [$u, $v] = self::uv($light->toArray());
        // Mireds: the locus is nearly evenly paced in them.
        [$low, $high] = [1e6 / self::HOTTEST, 1e6 / self::COLDEST];
        $best = $low;
        for ($mired = $low; $mired <= $high; $mired += 10) {
            if (self::distanceTo($mired, $u, $v) < self::distanceTo($best, $u, $v)) {
                $best = $mired;
            }
        }
        $step = 10.0;
        while ($step > 1e-3) {
            foreach ([-$step, $step] as $move) {
                $tried = max($low, min($high, $best + $move));
                if (self::distanceTo($tried, $u, $v) < self::distanceTo($best, $u, $v)) {
                    $best = $tried;
                }
            }
            $step *= 0.7;
        }
        [$ul, $vl] = self::uv(self::planck($best));

        return new self(1e6 / $best, ($v > $vl ? 1 : -1) * hypot($u - $ul, $v - $vl));
    }

    private static function distanceTo(float $mired, float $u, float $v): float
    {
        [$ul, $vl] = self::uv(self::planck($mired));

        return hypot($u - $ul, $v - $vl);
    }

    /** @return array{float, float, float} X, Y, Z of a black body, any scale */
    private static function planck(float $mired): array
    {
        $x = $y = $z = 0.0;
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $nm = Bands::nanometres($band);
            $power = ($nm / 560) ** -5 / (exp(self::C2_NANOMETRES * $mired / 1e6 / $nm) - 1);
            $x += $power * StandardObserver1931::X_BAR[$band];
            $y += $power * StandardObserver1931::Y_BAR[$band];
            $z += $power * StandardObserver1931::Z_BAR[$band];
        }

        return [$x, $y, $z];
    }

    /**
     * @param  array{float, float, float}  $xyz
     * @return array{float, float} CIE 1960 u, v
     */
    private static function uv(array $xyz): array
    {
        $sum = $xyz[0] + 15 * $xyz[1] + 3 * $xyz[2];

        return $sum === 0.0 ? [0.0, 0.0] : [4 * $xyz[0] / $sum, 6 * $xyz[1] / $sum];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Optics;

/**
 * The two-flux theory of a paint film, one wavelength at a time.
 *
 * P. Kubelka, F. Munk, Zeitschrift fuer technische Physik 12, 593 (1931); P. Kubelka, J. Opt. Soc. Am. 38, 448 (1948).
 * K (absorption) and S (scattering) are per unit of thickness, both >= 0. The forms used here are the paper's,
 * rearranged so that no limit divides by zero, overflows or loses digits.
 */
final class KubelkaMunk
{
    /**
     * Reflectance of a layer so thick that nothing beneath it shows: 1 + K/S - sqrt((K/S)^2 + 2 K/S).
     *
     * @return float 0..1; 0 for a film that absorbs and does not scatter. A film that does neither has no masstone:
     *               it is given 0, like the dark behind clear medium
     */
    public static function masstone(float $k, float $s): float
    {
        $sum = $s + $k + sqrt($k * ($k + 2 * $s));

        return $sum > 0.0 ? $s / $sum : 0.0;
    }

    /**
     * @param  float  $thickness  in the unit that K and S are per; >= 0
     * @param  float  $beneath  reflectance of what lies beneath, 0..1
     * @return float reflectance 0..1
     */
    public static function film(float $k, float $s, float $thickness, float $beneath): float
    {
        return self::filmOfFactor(self::filmFactor($k, $s, $thickness), $k, $s, $beneath);
    }

    /**
     * film() where the filmFactor is known already: it is the same over every background.
     *
     * @return float reflectance 0..1
     */
    public static function filmOfFactor(float $filmFactor, float $k, float $s, float $beneath): float
    {
        $absorbed = $s + $k;

        return ($beneath + $filmFactor * ($s - $absorbed * $beneath)) / (1 + $filmFactor * ($absorbed - $s * $beneath));
    }

    /**
     * tanh(B X) / B with B = sqrt(K (K + 2 S)), that is b S of the paper: the one quantity through which the
     * thickness enters. It tends to X for a clear film and to 1/B for a thick one.
     */
    public static function filmFactor(float $k, float $s, float $thickness): float
    {
        $b = sqrt($k * ($k + 2 * $s));
        $bx = $b * $thickness;
        if ($bx < 1e-4) {
            // Two terms of the series; the next is below 1e-16.
            return $thickness * (1 - $bx * $bx / 3);
        }

        return tanh($bx) / $b;
    }

    /**
     * @param  float  $masstone  reflectance of a thick layer, 0 < R <= 1
     * @return float K/S = (1 - R)^2 / (2 R)
     */
    public static function absorptionOverScattering(float $masstone): float
    {
        return (1 - $masstone) ** 2 / (2 * $masstone);
    }
}

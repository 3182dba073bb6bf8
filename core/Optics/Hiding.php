<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\SpectralSum;

/**
 * Hiding power by contrast ratio, after ISO 6504-3: luminous reflectance over the black part of a chart divided by
 * that over the white part; 0.98 counts as hidden. The chart: white Y = 80 %, black 0 (from memory: white about
 * 80 %, black at most 5 %).
 */
final class Hiding
{
    public const HIDDEN = 0.98;

    private const CHART_WHITE = 0.80;

    /** More coats than anyone paints: beyond this a paint is called a wash. */
    private const MOST_COATS = 40;

    /** @return float 0..1 */
    public static function contrastRatio(PaintOptics $paint, FilmThickness $thickness): float
    {
        $weights = SpectralSum::under(Illuminant::D65)->y;
        $overBlack = $overWhite = 0.0;
        foreach ($weights as $band => $weight) {
            $k = $paint->k[$band];
            $s = $paint->s[$band];
            $filmFactor = KubelkaMunk::filmFactor($k, $s, $thickness->coats);
            $overBlack += $weight * KubelkaMunk::filmOfFactor($filmFactor, $k, $s, 0.0);
            $overWhite += $weight * KubelkaMunk::filmOfFactor($filmFactor, $k, $s, self::CHART_WHITE);
        }

        return $overWhite > 0.0 ? min(1.0, $overBlack / $overWhite) : 1.0;
    }

    /** @return int|null whole coats until 0.98; null when 40 are not enough */
    public static function coatsToHide(PaintOptics $paint): ?int
    {
        for ($coats = 1; $coats <= self::MOST_COATS; $coats++) {
            // Rounding must not ask for one coat more where the level was set to reach 0.98 exactly.
            if (self::contrastRatio($paint, FilmThickness::coats($coats)) >= self::HIDDEN - 1e-9) {
                return $coats;
            }
        }

        return null;
    }
}

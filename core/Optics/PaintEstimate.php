<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\InvalidSpectrum;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\Srgb;

/**
 * K and S of a paint that nobody measured: from how it looks when thick, how many coats hide, how far it carries.
 *
 * The colour becomes a spectrum (SpectralRecovery), the spectrum K/S, and S, alike in all bands, is set so that the
 * contrast ratio reaches 0.98 at the stated coats. The statement of strength then scales K and S together: where it
 * is not "usual" it outranks the statement of opacity, because in mixes the level of S decides more than anything
 * else that is unknown.
 */
final class PaintEstimate
{
    /**
     * Band reflectances outside this range say nothing about a paint: K/S grows without bound towards 0 and 1. Of a colour as
     * dark as its sheen can be the film is only known to be darker than can be seen; a K/S of 32 is taken for a good black (own estimate).
     */
    private const DARKEST = 0.015;

    private const LIGHTEST = 0.998;

    /**
     * @param  Srgb  $thick  seen colour of a thick layer, off its highlight
     * @param  Sheen  $sheen  of the dry layer whose colour that is; what is darker than this sheen can be becomes black
     *
     * @throws InvalidSpectrum when the colour cannot be that of a surface
     */
    public static function fromColour(Srgb $thick, Opacity $opacity, TintingStrength $strength, Sheen $sheen = Sheen::Gloss): PaintOptics
    {
        $inside = Surface::of($sheen)->insideOrBlack(SpectralRecovery::of($thick->toXyz()));
        $ratio = array_map(
            static fn (float $r): float => KubelkaMunk::absorptionOverScattering(
                max(self::DARKEST, min(self::LIGHTEST, $r)),
            ),
            $inside->values,
        );
        $unit = PaintOptics::of($ratio, array_fill(0, count($ratio), 1.0), OpticsQuality::Estimated);
        $level = self::levelThatHides($unit, $opacity->coats());

        return $unit->scaled($level * $strength->load());
    }

    /**
     * A clear film that absorbs and does not scatter, from what one coat makes of a perfect white: R = exp(-2 K X).
     *
     * @param  Srgb  $overWhite  seen colour of one coat over white, off its highlight
     *
     * @throws InvalidSpectrum when the colour cannot be that of a surface
     */
    public static function tinted(Srgb $overWhite): PaintOptics
    {
        $inside = Surface::of(Sheen::Gloss)->insideOrBlack(SpectralRecovery::of($overWhite->toXyz()));
        $k = array_map(static fn (float $r): float => -log(max(self::DARKEST, $r)) / 2, $inside->values);

        return PaintOptics::of($k, array_fill(0, count($k), 0.0), OpticsQuality::Estimated);
    }

    /**
     * @return float the S per coat at which $coats coats reach a contrast ratio of 0.98, to 1e-12 relative
     */
    private static function levelThatHides(PaintOptics $unit, int $coats): float
    {
        $beyond = static fn (float $log): float => Hiding::contrastRatio($unit, FilmThickness::coats(exp($log) * $coats)) - Hiding::HIDDEN;
        $low = log(1e-4);
        $high = log(1e4);
        // More pigment always hides better: the interval is halved until the ratio is smooth in it, ...
        for ($step = 0; $step < 8; $step++) {
            $middle = ($low + $high) / 2;
            $beyond($middle) < 0 ? $low = $middle : $high = $middle;
        }
        // ... then the false position closes in (the Illinois rule of Dowell and Jarratt, BIT 11, 168 (1971)).
        $atLow = $beyond($low);
        $atHigh = $beyond($high);
        $side = 0;
        for ($step = 0; $step < 40 && $high - $low > 1e-13 && $atHigh > $atLow; $step++) {
            $next = ($atHigh * $low - $atLow * $high) / ($atHigh - $atLow);
            $found = $beyond($next);
            if (abs($found) < 1e-14) {
                return exp($next);
            }
            if ($found > 0) {
                $high = $next;
                $atHigh = $found;
                $atLow = $side === 1 ? $atLow / 2 : $atLow;
                $side = 1;
            } else {
                $low = $next;
                $atLow = $found;
                $atHigh = $side === -1 ? $atHigh / 2 : $atHigh;
                $side = -1;
            }
        }

        return exp($high);
    }
}

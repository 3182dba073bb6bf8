<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\Bands;
use Hyalin\Colour\InvalidSpectrum;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\Srgb;

/**
 * K and S of a paint that nobody measured: from how it looks when thick, how many coats hide, how far it carries.
 *
 * The colour becomes a spectrum (SpectralRecovery), the spectrum K/S, and S, as it runs in pigments (scattering), is set so
 * that the contrast ratio reaches 0.98 at the stated coats. The statement of strength then scales K and S together: where it
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

    /** S of a white falls by this power of the wavelength. */
    private const POWER = 0.9;

    /** Hue angle of a red, how far from it a colour is one, and the chroma from which it is one fully; own estimates, as what follows. */
    private const RED = 25.0;

    private const RED_REACH = 38.0;

    private const FULL_CHROMA = 50.0;

    /** Share of the absorption that a red lacks in the violet, where, and how widely in nm. */
    private const WINDOW = 0.7;

    private const VIOLET = 435.0;

    private const WINDOW_WIDTH = 60.0;

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
        $scattering = self::scattering($thick->toXyz()->toLab());
        $unit = PaintOptics::of(array_map(static fn (float $q, float $s): float => $q * $s, $ratio, $scattering), $scattering, OpticsQuality::Estimated);
        $level = self::levelThatHides($unit, $opacity->coats());

        return $unit->scaled($level * $strength->load());
    }

    /**
     * How S runs over the wavelengths, K/S and so the thick colour as they are. Small particles scatter blue more than red: a
     * white stirred into black turns bluish, and smoke is blue (J. W. Strutt, Phil. Mag. 41, 107 (1871), for the limit of small
     * ones). Red pigments absorb most in the green and less in the violet: laid thin over white they are pink and not orange.
     * How much of both is an own estimate.
     *
     * @return non-empty-list<float> by band, 1 at 550 nm
     */
    private static function scattering(Lab $thick): array
    {
        $lch = $thick->toLch();
        $off = abs(fmod($lch->hue - self::RED + 540.0, 360.0) - 180.0);
        $red = min(1.0, $lch->chroma / self::FULL_CHROMA) * max(0.0, 1 - ($off / self::RED_REACH) ** 2);
        // What is dark is ruled by its absorption, and that of soot is nearly alike in all bands.
        $power = self::POWER * max(0.0, $lch->lightness) / 100;
        $run = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $nanometres = Bands::nanometres($band);
            $window = self::WINDOW * $red * exp(-(($nanometres - self::VIOLET) / self::WINDOW_WIDTH) ** 2);
            $run[] = ($nanometres / 550) ** -$power * (1 - $window);
        }

        return $run;
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

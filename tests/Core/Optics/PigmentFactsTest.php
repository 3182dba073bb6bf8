<?php

declare(strict_types=1);

namespace Tests\Core\Optics;

use Hyalin\Colour\HueName;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\TestCase;

/**
 * What painters see of pigments (common practice), of pots of which nothing is known but a colour.
 */
final class PigmentFactsTest extends TestCase
{
    public function test_white_stirred_into_black_turns_bluish(): void
    {
        foreach (['#1b1b1d', '#141414', '#232120'] as $black) {
            foreach ([1, 3, 10] as $parts) {
                $grey = self::lab(PaintOptics::mixed([[self::paint($black, Opacity::OneCoat), 1.0], [self::paint('#f4f3ee'), (float) $parts]])->masstone());
                // Each of the two is neutral, or a little warm.
                self::assertLessThan(-0.5, $grey->b, "{$black} 1:{$parts}");
            }
        }
    }

    public function test_a_thin_red_over_white_is_pinkish_and_not_orange(): void
    {
        foreach (['#a91f22', '#b02020', '#5a1618', '#98182a'] as $red) {
            $paint = self::paint($red, Opacity::Wash);
            $thick = self::lab($paint->masstone())->toLch()->hue;
            foreach ([0.1, 0.25] as $coats) {
                $thin = self::lab($paint->filmOver(Reflectance::flat(0.9), FilmThickness::coats($coats)))->toLch()->hue;
                // Hue angles from -180 to 180: bluer than the thick paint, and short of orange.
                self::assertLessThan(min($thick, 30.0), $thin > 180 ? $thin - 360 : $thin, "{$red}, {$coats} coats");
            }
        }
    }

    public function test_how_scattering_runs_leaves_the_thick_colour_and_the_hiding_as_they_were_stated(): void
    {
        foreach (['#f4f3ee', '#a91f22', '#24508f', '#e7bf2f', '#3d6b3a', '#1b1b1d'] as $hex) {
            foreach ([Opacity::OneCoat, Opacity::ThreeCoats] as $opacity) {
                $paint = self::paint($hex, $opacity);
                $seen = Surface::of(Sheen::Gloss)->seen($paint->masstone());
                $wanted = Srgb::hex($hex)->toXyz()->toLab();
                self::assertEqualsWithDelta($wanted->toArray(), SpectralSum::under(Illuminant::D65)->xyz($seen)->toLab()->toArray(), 0.6, $hex);
            }
        }
    }

    public function test_a_dark_orange_is_called_a_brown_and_a_dark_yellow_an_olive(): void
    {
        foreach (['#5a3d22' => 'brown', '#7a3b1d' => 'brown', '#9a6a35' => 'brown', '#56601f' => 'olive', '#d79a1e' => 'yellow', '#e8761e' => 'orange', '#a91f22' => 'red'] as $hex => $name) {
            self::assertStringEndsWith(' '.$name, HueName::describe(Srgb::hex($hex)->toXyz()->toLab()), $hex);
        }
    }

    private static function paint(string $hex, Opacity $opacity = Opacity::TwoCoats): PaintOptics
    {
        return PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual);
    }

    private static function lab(Reflectance $inside): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz($inside)->toLab();
    }
}

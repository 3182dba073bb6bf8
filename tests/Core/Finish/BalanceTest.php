<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\SpectralSum;
use Hyalin\Finish\Balance;
use Hyalin\Finish\BalanceKind;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use PHPUnit\Framework\TestCase;

final class BalanceTest extends TestCase
{
    public function test_wishes_are_judged_by_lightness_and_difference(): void
    {
        $dark = $this->flat(0.1);
        $grey = $this->flat(0.3);
        $light = $this->flat(0.33);
        self::assertTrue(Balance::between(BalanceKind::StandApart, $dark, $grey, 10)->holds);
        self::assertFalse(Balance::between(BalanceKind::StandApart, $light, $grey, 10)->holds);
        self::assertTrue(Balance::between(BalanceKind::SitTogether, $light, $grey, 6)->holds);
        self::assertFalse(Balance::between(BalanceKind::SitTogether, $dark, $grey, 6)->holds);
        self::assertTrue(Balance::between(BalanceKind::SameBrightness, $light, $grey, 5)->holds);
        // L* of flat greys by ISO 11664-4: 116 (0.33^(1/3) - 0.3^(1/3)).
        self::assertEqualsWithDelta(116 * (0.33 ** (1 / 3) - 0.3 ** (1 / 3)), Balance::between(BalanceKind::SameBrightness, $light, $grey, 5)->value, 1e-9);
        // No wish asks for more than it says: the limit itself holds.
        $value = Balance::between(BalanceKind::SitTogether, $dark, $grey, 6)->value;
        self::assertTrue(Balance::between(BalanceKind::SitTogether, $dark, $grey, $value)->holds);
    }

    public function test_the_focal_point_has_the_most_contrast(): void
    {
        $black = PaintOptics::of(array_fill(0, Bands::COUNT, 20.0), array_fill(0, Bands::COUNT, 0.5), OpticsQuality::Estimated);
        $shaded = $this->prediction()->of(Reflectance::flat(0.6), [Layer::of(Technique::Wash, $black, 8.0, 1, Zone::cases())]);
        self::assertGreaterThan(10, Balance::contrast($shaded));
        self::assertEqualsWithDelta(0.0, Balance::contrast($this->flat(0.4)), 1e-9);
        self::assertTrue(Balance::focal($shaded, [$this->flat(0.4), $this->flat(0.9)], 0.0)->holds);
        self::assertFalse(Balance::focal($this->flat(0.4), [$shaded], 0.0)->holds);
        self::assertEqualsWithDelta(-Balance::contrast($shaded), Balance::focal($this->flat(0.4), [$shaded], 0.0)->value, 1e-9);
    }

    /** Two spectra of one colour in daylight, one smooth and one with a bump, part company under lamp light. */
    public function test_metamers_part_company_under_another_light(): void
    {
        $day = SpectralSum::under(Illuminant::D65);
        $bumpy = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $nm = Bands::nanometres($band);
            $bumpy[] = 0.25 + 0.3 * exp(-((($nm - 470) / 30) ** 2)) + 0.3 * exp(-((($nm - 610) / 25) ** 2));
        }
        $bumpy = Reflectance::of($bumpy);
        $smooth = SpectralRecovery::of($day->xyz($bumpy));
        $under = static fn (Illuminant $light): array => [
            SpectralSum::under($light)->xyz($bumpy)->toLab(),
            SpectralSum::under($light)->xyz($smooth)->toLab(),
        ];
        self::assertGreaterThan(1.0, Balance::parting($under(Illuminant::D65), $under(Illuminant::A)));
        self::assertEqualsWithDelta(0.0, Balance::parting($under(Illuminant::D65), $under(Illuminant::D65)), 1e-9);
        // A grey stays a grey under every light.
        $greys = static fn (Illuminant $light): array => [Lab::of(50, 0, 0, white: $light), Lab::of(50, 0, 0, white: $light)];
        self::assertEqualsWithDelta(0.0, Balance::parting($greys(Illuminant::D65), $greys(Illuminant::A)), 1e-9);
    }

    private function flat(float $reflectance): Section
    {
        return $this->prediction()->of(Reflectance::flat($reflectance), []);
    }

    private function prediction(): SectionPrediction
    {
        return SectionPrediction::under(Illuminant::D65, Surface::none());
    }
}

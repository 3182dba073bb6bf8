<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Hyalin\Colour\Reflectance;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\DepositProfile;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Sprays from a direction with the exposure that a mesh has: random drops cover 1 - exp(-hits), whatever else is true.
 */
final class SprayedLayerTest extends TestCase
{
    /** @return iterable<string, array{Technique}> */
    public static function directed(): iterable
    {
        foreach (Technique::cases() as $technique) {
            if ($technique->spec()->direction !== null) {
                yield $technique->value => [$technique];
            }
        }
    }

    #[DataProvider('directed')]
    public function test_coverage_follows_the_exposure_of_the_mesh(Technique $technique): void
    {
        $layer = self::white($technique);
        foreach ([0.0, 0.1, 0.35, 0.8, 1.0] as $e) {
            $sprayed = $layer->sprayedAs([$technique->value => [$e, $e, $e, $e, $e]]);
            foreach (Zone::cases() as $zone) {
                self::assertEqualsWithDelta(1 - exp(-DepositProfile::HITS * $e), $sprayed->coverage($zone), 1e-12);
            }
        }
        // The usual exposure given by hand is the usual layer.
        $usual = $layer->sprayedAs([$technique->value => $technique->spec()->direction->exposure ?? []]);
        foreach (Zone::cases() as $zone) {
            self::assertSame($layer->coverage($zone), $usual->coverage($zone));
        }
    }

    #[DataProvider('directed')]
    public function test_a_zone_that_the_mesh_says_nothing_of_is_as_usual(Technique $technique): void
    {
        $layer = self::white($technique);
        $sprayed = $layer->sprayedAs([$technique->value => [null, 0.7, null, null, 0.0]]);
        foreach ([Zone::Recess, Zone::Mid, Zone::Light] as $zone) {
            self::assertSame($layer->coverage($zone), $sprayed->coverage($zone));
        }
        self::assertEqualsWithDelta(1 - exp(-0.7 * DepositProfile::HITS), $sprayed->coverage(Zone::Shade), 1e-12);
        self::assertSame(0.0, $sprayed->coverage(Zone::Edge));
    }

    /** Energy and order: more spray is never farther from the paint, more passes neither; none changes nothing. */
    #[DataProvider('directed')]
    public function test_more_spray_and_more_passes_come_nearer_to_the_paint(Technique $technique): void
    {
        $black = Reflectance::flat(0.03);
        $before = 0.0;
        foreach ([0.0, 0.05, 0.2, 0.5, 0.9, 1.0] as $e) {
            $one = self::white($technique)->sprayedAs([$technique->value => [$e, $e, $e, $e, $e]]);
            $passes = 0.0;
            foreach ([1, 2, 5, 12] as $coats) {
                $over = $one->withCoats($coats)->over(Zone::Mid, $black);
                $mean = array_sum($over->values) / count($over->values);
                self::assertGreaterThanOrEqual($passes - 1e-12, $mean);
                self::assertLessThan(1.0, $mean);
                $passes = $mean;
                if ($coats === 1) {
                    self::assertGreaterThanOrEqual($before - 1e-12, $mean);
                    $before = $mean;
                }
                if ($e === 0.0) {
                    self::assertSame($black->values, $over->values);
                }
            }
        }
        self::assertGreaterThan(0.3, $before);
    }

    public function test_what_is_no_directed_spray_knows_nothing_of_the_mesh_and_edits_keep_what_it_says(): void
    {
        $exposures = [Technique::ZenithalSpray->value => [0.0, 0.0, 0.0, 0.0, 0.0], Technique::Wash->value => [0.0, 0.0, 0.0, 0.0, 0.0]];
        foreach (Technique::cases() as $technique) {
            $layer = self::white($technique);
            $same = $layer->sprayedAs($exposures)->coverage(Zone::Edge) === $layer->coverage(Zone::Edge);
            self::assertSame($technique !== Technique::ZenithalSpray, $same, $technique->value);
        }
        $shaded = self::white(Technique::ZenithalSpray)->sprayedAs($exposures);
        $edits = [$shaded->withCoats(3), $shaded->withThinner(1.0), $shaded->onZones([Zone::Edge]), $shaded->correctedBy(array_fill(0, 36, 1.1)), $shaded->blendedInto($shaded->mix)];
        foreach ($edits as $edited) {
            self::assertSame(0.0, $edited->coverage(Zone::Edge));
        }
    }

    private static function white(Technique $technique): Layer
    {
        return Layer::of($technique, PaintEstimate::fromColour(Srgb::hex('#f2f2ee'), Opacity::TwoCoats, TintingStrength::Usual), 0.0, 1, Zone::cases());
    }
}

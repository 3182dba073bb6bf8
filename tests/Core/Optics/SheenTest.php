<?php

declare(strict_types=1);

namespace Tests\Core\Optics;

use Eris\Generators;
use Eris\TestTrait;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\InvalidOptics;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\CheckValues;

/**
 * What a surface adds to a colour, against measured matt paints; and the law that a pot looks like what was typed of it.
 */
final class SheenTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{Sheen}> */
    public static function sheens(): iterable
    {
        foreach (Sheen::cases() as $sheen) {
            yield $sheen->value => [$sheen];
        }
    }

    /** Munsell matte papers measured by D. Nickerson (every sixth of 462): each can be a matt paint, also in its darkest band. */
    public function test_every_measured_matt_paint_can_be_a_matt_paint(): void
    {
        $matt = Surface::of(Sheen::Matt);
        $darkest = 1.0;
        $rows = CheckValues::rows('munsell_nickerson_reflectance_10nm');
        self::assertCount(77, array_slice($rows[0], 1));
        foreach (array_keys(array_slice($rows[0], 1)) as $chip) {
            $measured = array_map(static fn (array $row): float => (float) $row[$chip], $rows);
            $darkest = min($darkest, ...$measured);
            // 400 to 700 nm were measured; beyond, the ends are held.
            $values = array_map(static fn (int $nm): float => $measured[max(0, min(count($measured) - 1, intdiv($nm - 400, 10)))], range(380, 730, 10));
            $inside = $matt->inside(Reflectance::of($values));
            foreach ($matt->seen($inside)->values as $band => $r) {
                self::assertEqualsWithDelta($values[$band], $r, 1e-12);
            }
        }
        // And the surface is no lighter than it has to be for that.
        self::assertEqualsWithDelta($darkest, $matt->veil, 1e-9);
    }

    /** L* of the darkest of those papers is 12.8 under C (munsell_nickerson_lab_c.csv, n001). */
    public function test_it_is_said_how_dark_a_sheen_can_get(): void
    {
        self::assertEqualsWithDelta(12.8, Sheen::Matt->darkest(), 1.0);
        self::assertLessThan(Sheen::Matt->darkest(), Sheen::Satin->darkest());
        self::assertEqualsWithDelta(0.0, Sheen::Gloss->darkest(), 1e-9);
        $soot = PaintOptics::of(array_fill(0, 36, 500.0), array_fill(0, 36, 0.01), PaintEstimate::fromColour(Srgb::hex('#222222'), Opacity::OneCoat, TintingStrength::Usual)->quality);
        foreach (Sheen::cases() as $sheen) {
            self::assertGreaterThanOrEqual($sheen->darkest() - 1e-9, self::lab($soot, $sheen)->lightness);
        }
    }

    /** Law: the colour typed of a pot is the colour of its dry film in its own sheen, where that sheen can be so dark. */
    #[DataProvider('sheens')]
    public function test_a_pot_looks_like_what_was_typed_of_it(Sheen $sheen): void
    {
        $surface = Surface::of($sheen);
        $byte = Generators::choose(30, 245);
        $this->limitTo(60)->forAll($byte, $byte, $byte)->then(static function (int $r, int $g, int $b) use ($sheen, $surface): void {
            $typed = Srgb::hex(sprintf('#%02x%02x%02x', $r, $g, $b));
            $paint = PaintEstimate::fromColour($typed, Opacity::TwoCoats, TintingStrength::Usual, $sheen);
            $seen = self::lab($paint, $sheen);
            $wanted = $typed->toXyz()->toLab();
            $off = DifferenceFormula::Ciede2000->between($wanted, $seen);
            // Saturated colours have bands darker than the surface: those become as dark as the sheen lets them, and most so where the
            // whole colour is nearly as dark as it can be (7.9 at worst, #2a1e26 matt, of 40,000 colours tried).
            $most = $wanted->lightness < $sheen->darkest() + 8 ? 9.0 : 4.5;
            $deepest = min(1.0, ...$surface->seen($paint->masstone())->values);
            self::assertLessThan($deepest <= $surface->veil + 0.007 ? $most : 0.05, $off, "{$typed->toHex()} {$sheen->value}");
        });
    }

    /** The wine red that came out 9.3 away from itself. */
    #[DataProvider('sheens')]
    public function test_a_deep_red_is_that_red(Sheen $sheen): void
    {
        $typed = Srgb::hex('#6b1c2a');
        $seen = self::lab(PaintEstimate::fromColour($typed, Opacity::TwoCoats, TintingStrength::Usual, $sheen), $sheen);
        // Its green is at the limit of what a matt surface lets one see.
        self::assertLessThan($sheen === Sheen::Matt ? 2.0 : 0.5, DifferenceFormula::Ciede2000->between($typed->toXyz()->toLab(), $seen));
    }

    /** A reader's noise takes the reading of a black now below what its surface reflects: that is black, and much less is no paint. */
    public function test_a_black_read_with_noise_is_black_and_less_is_refused(): void
    {
        $matt = Surface::of(Sheen::Matt);
        self::assertSame(array_fill(0, 36, 0.0), $matt->inside(Reflectance::flat($matt->veil - 0.003), 0.004)->values);
        self::assertGreaterThan(0.0, $matt->inside(Reflectance::flat($matt->veil + 0.001), 0.004)->values[0]);
        $this->expectException(InvalidOptics::class);
        $this->expectExceptionMessage('the reading at 380 nm is darker than the surface reflection alone');
        $matt->inside(Reflectance::flat($matt->veil - 0.005), 0.004);
    }

    private static function lab(PaintOptics $paint, Sheen $sheen): \Hyalin\Colour\Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz(Surface::of($sheen)->seen($paint->masstone()))->toLab();
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Optics;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\AreaCoverage;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Hiding;
use Hyalin\Optics\InvalidOptics;
use Hyalin\Optics\KubelkaMunk;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\TestCase;
use Tests\Support\CheckValues;
use Tests\Support\InventedShelf;

final class PaintOpticsTest extends TestCase
{
    /** Kubelka & Munk (1931): closed form, cross-checked by integrating the two-flux equations. */
    public function test_masstones_follow_the_closed_form(): void
    {
        foreach (CheckValues::rows('km_rinf') as $row) {
            [$ratio, $r] = CheckValues::numbers($row, 'K_over_S', 'R_inf');
            self::assertEqualsWithDelta($r, KubelkaMunk::masstone($ratio, 1.0), 1e-9);
            self::assertEqualsWithDelta(1.0, KubelkaMunk::absorptionOverScattering(KubelkaMunk::masstone($ratio, 1.0)) / $ratio, 1e-9);
        }
        self::assertSame([1.0, 0.0, 0.0], [KubelkaMunk::masstone(0, 2), KubelkaMunk::masstone(3, 0), KubelkaMunk::masstone(0, 0)]);
    }

    /** Kubelka (1948): films over a backing, with the limits K = 0, S = 0, thick and thin. */
    public function test_films_follow_the_closed_form(): void
    {
        foreach (CheckValues::rows('km_film_over_substrate') as $row) {
            [$k, $s, $x, $rg, $r] = CheckValues::numbers($row, 'K', 'S', 'X', 'Rg', 'R');
            self::assertEqualsWithDelta($r, KubelkaMunk::film($k, $s, $x, $rg), 1e-9, implode(' ', $row));
        }
        self::assertEqualsWithDelta(0.8 * exp(-2 * 0.7), KubelkaMunk::film(0.7, 0, 1, 0.8), 1e-12);
        self::assertEqualsWithDelta((0.2 + 0.8 * 1.5) / (1 + 0.8 * 1.5), KubelkaMunk::film(0, 1.5, 1, 0.2), 1e-12);
        self::assertEqualsWithDelta(0.6, KubelkaMunk::film(3, 5, 0, 0.6), 1e-15);
        self::assertEqualsWithDelta(KubelkaMunk::masstone(3, 5), KubelkaMunk::film(3, 5, 1e6, 0.6), 1e-12);
    }

    /** ISO 6504-3 criterion 0.98 on one wavelength; thickness by bisection on the closed form. */
    public function test_hiding_thickness_reaches_the_published_contrast(): void
    {
        foreach (CheckValues::rows('km_hiding_98') as $row) {
            [$k, $s, $black, $white, $x] = CheckValues::numbers($row, 'K', 'S', 'R_black', 'R_white', 'X_98');
            $ratio = KubelkaMunk::film($k, $s, $x, $black) / KubelkaMunk::film($k, $s, $x, $white);
            self::assertEqualsWithDelta(0.98, $ratio, 1e-8);
        }
    }

    /** Saunderson (1942). */
    public function test_the_surface_correction_gives_the_examples_and_goes_back(): void
    {
        $checked = 0;
        foreach (CheckValues::rows('saunderson_examples') as $row) {
            [$k1, $k2, $inside, $included, $excluded] = CheckValues::numbers($row, 'k1', 'k2', 'R_internal', 'Rm_specular_included', 'Rm_specular_excluded');
            if ($k1 !== Surface::FIRST_SURFACE || $k2 !== Surface::INTERNAL) {
                continue;
            }
            $flat = Reflectance::flat($inside);
            // Gloss is seen without the first surface, a matt film with a part of it: see Sheen.
            $gloss = Surface::of(Sheen::Gloss)->seen($flat)->values[7];
            self::assertEqualsWithDelta($excluded, $gloss, 1e-9);
            self::assertEqualsWithDelta($included, $gloss + Surface::FIRST_SURFACE, 1e-9);
            self::assertEqualsWithDelta($gloss + Sheen::Matt->veil() * Surface::FIRST_SURFACE, Surface::of(Sheen::Matt)->seen($flat)->values[7], 1e-9);
            self::assertEqualsWithDelta($inside, Surface::of(Sheen::Matt)->inside(Surface::of(Sheen::Matt)->seen($flat))->values[7], 1e-9);
            $checked++;
        }
        self::assertGreaterThan(5, $checked);
        $this->expectException(InvalidOptics::class);
        Surface::of(Sheen::Matt)->inside(Reflectance::flat(0.01));
    }

    /** Murray & Davies (1936). */
    public function test_area_coverage_gives_the_examples(): void
    {
        foreach (CheckValues::rows('murray_davies_yule_nielsen_examples') as $row) {
            [$ground, $solid, $a, $r] = CheckValues::numbers($row, 'R_ground', 'R_solid', 'a', 'R_murray_davies');
            $blend = AreaCoverage::of($a)->blend(Reflectance::flat($solid), Reflectance::flat($ground));
            self::assertEqualsWithDelta($r, $blend->values[0], 1e-9);
        }
        // Three dustings of random drops, each one hit on the mean, leave 5 % bare (Poisson).
        self::assertEqualsWithDelta(1 - exp(-3), AreaCoverage::ofRandomHits(3)->fraction, 1e-12);
    }

    /** Laws of the theory, on invented paints. */
    public function test_films_obey_the_laws_of_the_theory(): void
    {
        $shelf = new InventedShelf(3);
        $paints = $shelf->paints(40);
        foreach ($paints as $i => $paint) {
            $other = $paints[($i + 7) % 40];
            $bare = $other->masstone();
            $masstone = $paint->masstone();
            $x = $shelf->between(0.05, 3);
            $film = $paint->filmOver($bare, FilmThickness::coats($x));
            $thicker = $paint->filmOver($bare, FilmThickness::coats($x * 1.7));
            $twice = $paint->filmOver($film, FilmThickness::coats(0.7 * $x));
            foreach ($film->values as $band => $r) {
                // Between the bare undercoat and the masstone, and nearer to the masstone with every coat.
                self::assertGreaterThanOrEqual(min($bare->values[$band], $masstone->values[$band]) - 1e-12, $r);
                self::assertLessThanOrEqual(max($bare->values[$band], $masstone->values[$band]) + 1e-12, $r);
                self::assertLessThanOrEqual(abs($r - $masstone->values[$band]) + 1e-12, abs($thicker->values[$band] - $masstone->values[$band]));
                // Two coats of one paint are one thicker film.
                self::assertEqualsWithDelta($thicker->values[$band], $twice->values[$band], 1e-10);
            }
            // Stirring commutes; painting does not.
            $mixed = PaintOptics::mixed([[$paint, 2.0], [$other, 3.0]]);
            self::assertEqualsWithDelta(PaintOptics::mixed([[$other, 3.0], [$paint, 2.0]])->k, $mixed->k, 1e-12);
        }
        $grey = Reflectance::flat(0.5);
        $thin = FilmThickness::coats(0.3);
        self::assertNotEqualsWithDelta(
            $paints[0]->filmOver($paints[3]->filmOver($grey, $thin), $thin)->values,
            $paints[3]->filmOver($paints[0]->filmOver($grey, $thin), $thin)->values,
            1e-3,
        );
    }

    public function test_thinning_lays_down_proportionally_less(): void
    {
        $paint = (new InventedShelf(4))->paints(1)[0];
        $grey = Reflectance::flat(0.4);
        $thinned = PaintOptics::mixed([[$paint, 1.0], [PaintOptics::clear(), 3.0]]);
        self::assertEqualsWithDelta($paint->thinnedTo(0.25)->k, $thinned->k, 1e-12);
        self::assertEqualsWithDelta(
            $paint->filmOver($grey, FilmThickness::coats(0.5))->values,
            $thinned->filmOver($grey, FilmThickness::coats(2.0))->values,
            1e-12,
        );
    }

    public function test_an_estimated_paint_looks_and_hides_as_it_was_stated(): void
    {
        foreach (['#d79a1e', '#1b1b1d', '#f4f3ee', '#a91f22', '#1a2f86'] as $hex) {
            foreach (Opacity::cases() as $opacity) {
                $paint = PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual);
                self::assertSame($opacity->coats(), Hiding::coatsToHide($paint), $hex);
                $seen = SpectralSum::under(Illuminant::D65)->xyz(Surface::of(Sheen::Gloss)->seen($paint->masstone()))->toLab();
                $difference = DifferenceFormula::Ciede2000->between(Srgb::hex($hex)->toXyz()->toLab(), $seen);
                self::assertLessThan(0.5, $difference, $hex);
                self::assertSame(OpticsQuality::Estimated, $paint->quality);
            }
        }
    }

    public function test_a_strong_paint_carries_farther_in_a_mix(): void
    {
        $white = PaintEstimate::fromColour(Srgb::hex('#f4f3ee'), Opacity::TwoCoats, TintingStrength::Usual);
        $lightness = [];
        foreach (TintingStrength::cases() as $strength) {
            $blue = PaintEstimate::fromColour(Srgb::hex('#1a2f86'), Opacity::TwoCoats, $strength);
            $mix = PaintOptics::mixed([[$white, 5.0], [$blue, 1.0]])->masstone();
            $lightness[] = SpectralSum::under(Illuminant::D65)->xyz($mix)->toLab()->lightness;
        }
        self::assertGreaterThan($lightness[1] + 1, $lightness[0]);
        self::assertGreaterThan($lightness[2] + 1, $lightness[1]);
    }

    public function test_a_prediction_is_as_good_as_its_worst_paint(): void
    {
        $flat = array_fill(0, 36, 0.5);
        $measured = PaintOptics::of($flat, $flat, OpticsQuality::Measured);
        $partly = PaintOptics::of($flat, $flat, OpticsQuality::PartlyMeasured);
        self::assertSame(OpticsQuality::PartlyMeasured, PaintOptics::mixed([[$measured, 9.0], [$partly, 1.0]])->quality);
        $this->expectException(InvalidOptics::class);
        PaintOptics::mixed([[$measured, 0.0]]);
    }
}

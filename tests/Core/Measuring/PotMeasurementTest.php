<?php

declare(strict_types=1);

namespace Tests\Core\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Measuring\InvalidReadings;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Measuring\TwoBackgrounds;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\KubelkaMunk;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\CheckValues;
use Tests\Support\InventedShelf;

final class PotMeasurementTest extends TestCase
{
    public function test_two_backgrounds_give_back_the_film_of_the_published_closed_form(): void
    {
        // Kubelka (1948), values of tests/data to 10 digits: each film over ideal black (R0) and over its backing.
        $solved = 0;
        foreach (CheckValues::rows('km_film_over_substrate') as $row) {
            [$k, $s, $x, $backing, $over, $overBlack] = CheckValues::numbers($row, 'K', 'S', 'X', 'Rg', 'R', 'R0');
            if ($over - $overBlack < 1e-5 || $backing < 0.1) {
                continue;
            }
            $film = TwoBackgrounds::solve($overBlack, $over, 0.0, $backing);
            self::assertNotNull($film, implode(' ', $row));
            self::assertEqualsWithDelta($k * $x, $film->k, 1e-4 * $k * $x + 1e-5);
            self::assertEqualsWithDelta($s * $x, $film->s, 1e-4 * $s * $x + 1e-5);
            $solved++;
        }
        self::assertGreaterThan(9, $solved);
    }

    public function test_the_closed_form_is_what_the_two_fluxes_add_up_to(): void
    {
        // The differential equation of Kubelka and Munk (1931), dR/dx = S - 2 (K + S) R + S R^2 from the backing up,
        // integrated by Runge-Kutta of fourth order.
        $random = new Randomizer(new Mt19937(41));
        for ($n = 0; $n < 40; $n++) {
            $k = $random->getInt(0, 300) / 100;
            $s = $random->getInt(0, 300) / 100;
            $backing = $random->getInt(0, 100) / 100;
            $r = $backing;
            $steps = 2000;
            $h = 1.3 / $steps;
            $slope = static fn (float $r): float => $s - 2 * ($k + $s) * $r + $s * $r * $r;
            for ($i = 0; $i < $steps; $i++) {
                $a = $slope($r);
                $b = $slope($r + $h / 2 * $a);
                $c = $slope($r + $h / 2 * $b);
                $d = $slope($r + $h * $c);
                $r += $h / 6 * ($a + 2 * $b + 2 * $c + $d);
            }
            self::assertEqualsWithDelta($r, KubelkaMunk::film($k, $s, 1.3, $backing), 1e-9);
        }
    }

    public function test_a_translucent_pot_is_recovered_exactly_where_light_comes_through(): void
    {
        foreach ((new InventedShelf(11))->paints(12) as $paint) {
            $paint = $paint->scaled(0.3);
            $measured = PotMeasurement::solve($this->read($paint, 0.0, 1));
            foreach ($measured->trust as $band => $trust) {
                if ($trust >= 1.0) {
                    self::assertEqualsWithDelta($paint->s[$band], $measured->optics->s[$band], 1e-6 * (1 + $paint->s[$band]));
                    self::assertEqualsWithDelta($paint->k[$band], $measured->optics->k[$band], 1e-6 * (1 + $paint->k[$band]));
                }
            }
            self::assertLessThan(0.002, $measured->residual);
        }
    }

    public function test_what_was_read_is_always_given_back(): void
    {
        foreach ([0.0005, 0.002, 0.01] as $noise) {
            foreach ((new InventedShelf(12))->paints(14) as $n => $paint) {
                $measured = PotMeasurement::solve($this->read($paint, $noise, $n));
                self::assertLessThan(10 * $noise, $measured->residual);
            }
        }
    }

    public function test_a_tint_tells_the_strength_that_two_opaque_coats_hide(): void
    {
        $paints = (new InventedShelf(13))->paints(30);
        $white = $paints[3];
        $without = $with = [];
        $opaque = 0;
        foreach ($paints as $n => $paint) {
            $paint = $paint->scaled(4.0);
            $blind = PotMeasurement::solve($this->read($paint, 0.0005, $n));
            if (! $blind->needsTint) {
                continue;
            }
            $opaque++;
            self::assertSame(OpticsQuality::PartlyMeasured, $blind->optics->quality);
            $tint = self::noisy(PaintOptics::mixed([[$paint, 1.0], [$white, 5.0]])->masstone(), 0.0005, $n);
            $told = PotMeasurement::solve($this->read($paint, 0.0005, $n, $tint), tintedWhite: $white);
            self::assertSame(OpticsQuality::Measured, $told->optics->quality);
            self::assertFalse($told->needsTint);
            $truth = self::lab(PaintOptics::mixed([[$paint, 1.0], [$white, 1.0]]));
            $without[] = self::difference($truth, self::lab(PaintOptics::mixed([[$blind->optics, 1.0], [$white, 1.0]])));
            $with[] = self::difference($truth, self::lab(PaintOptics::mixed([[$told->optics, 1.0], [$white, 1.0]])));
        }
        self::assertGreaterThan(8, $opaque);
        self::assertLessThan(1.0, array_sum($with) / $opaque);
        self::assertLessThan(array_sum($without) / 3, array_sum($with));
    }

    public function test_a_thick_swatch_fixes_the_masstone_of_an_opaque_pot(): void
    {
        $paint = (new InventedShelf(14))->paints(7)[6]->scaled(3.0);
        $readings = $this->read($paint, 0.0, 1);
        $measured = PotMeasurement::solve(SwatchReadings::of(
            $readings->overBlack, $readings->overWhite, $readings->black, $readings->white, $paint->masstone(),
        ));
        self::assertLessThan(0.2, self::difference(self::lab($paint), self::lab($measured->optics)));
    }

    public function test_readings_that_contradict_each_other_are_refused_by_band(): void
    {
        $flat = Reflectance::flat(...);
        $cases = [
            'exchanged, or one coat is thicker' => [$flat(0.5), $flat(0.3), $flat(0.04), $flat(0.9), null],
            'the two cards are the same' => [$flat(0.3), $flat(0.5), $flat(0.4), $flat(0.4), null],
            'no film can do that' => [$flat(0.1), $flat(0.9), $flat(0.3), $flat(0.9), null],
            'not of one paint' => [$flat(0.3), $flat(0.5), $flat(0.04), $flat(0.9), $flat(0.1)],
        ];
        foreach ($cases as $words => [$overBlack, $overWhite, $black, $white, $thick]) {
            try {
                SwatchReadings::of($overBlack, $overWhite, $black, $white, $thick);
                self::fail($words);
            } catch (InvalidReadings $e) {
                self::assertStringContainsString($words, $e->getMessage());
                self::assertStringContainsString('380 nm', $e->getMessage());
            }
        }
        $this->expectExceptionMessage('with which white');
        PotMeasurement::solve(SwatchReadings::of($flat(0.3), $flat(0.5), $flat(0.04), $flat(0.9), tint: $flat(0.6)));
    }

    private function read(PaintOptics $paint, float $noise, int $seed, ?Reflectance $tint = null): SwatchReadings
    {
        $black = Reflectance::flat(0.035);
        $white = Reflectance::flat(0.9);
        $coat = FilmThickness::coats(1.0);

        return SwatchReadings::of(
            self::noisy($paint->filmOver($black, $coat), $noise, 2 * $seed),
            self::noisy($paint->filmOver($white, $coat), $noise, 2 * $seed + 1),
            $black,
            $white,
            tint: $tint,
            noise: max(0.0005, $noise),
        );
    }

    /** Gaussian noise by Box and Muller (1958), cut at three standard deviations. */
    private static function noisy(Reflectance $true, float $sigma, int $seed): Reflectance
    {
        $random = new Randomizer(new Mt19937($seed));
        $values = [];
        foreach ($true->values as $v) {
            $u = $random->getInt(1, 1_000_000) / 1_000_000;
            $gauss = sqrt(-2 * log($u)) * cos(2 * M_PI * $random->getInt(0, 1_000_000) / 1_000_000);
            $values[] = max(0.0, min(1.0, $v + $sigma * max(-3.0, min(3.0, $gauss))));
        }

        return Reflectance::of($values);
    }

    private static function lab(PaintOptics $paint): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz($paint->masstone())->toLab();
    }

    private static function difference(Lab $p, Lab $q): float
    {
        return Ciede2000::between($p->lightness, $p->a, $p->b, $q->lightness, $q->a, $q->b);
    }

    public function test_the_smooth_curve_goes_through_a_power_law(): void
    {
        $paint = PaintOptics::of(
            array_map(static fn (int $b): float => $b > 20 ? 30.0 : 0.05, range(0, Bands::COUNT - 1)),
            array_map(static fn (int $b): float => 2.0 * (Bands::nanometres($b) / 550) ** -0.8, range(0, Bands::COUNT - 1)),
            OpticsQuality::Measured,
        );
        $measured = PotMeasurement::solve($this->read($paint, 0.0, 1));
        // The red bands are black: nothing comes through there, the curve of the others stands in.
        self::assertSame(0.0, $measured->trust[35]);
        self::assertEqualsWithDelta($paint->s[35], $measured->optics->s[35], 0.25 * $paint->s[35]);
    }
}

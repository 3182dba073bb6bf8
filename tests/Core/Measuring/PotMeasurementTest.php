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
use Hyalin\Measuring\ReadSpectrum;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Measuring\TintReading;
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
use Tests\Support\Rounds;

final class PotMeasurementTest extends TestCase
{
    /** Readings under a glare, of a failed reader or of cards that are alike: an answer or none, never a fault. */
    public function test_two_backgrounds_take_any_four_numbers(): void
    {
        $values = [0.0, 1e-9, 0.05, 0.4999999, 0.5, 0.87, 0.999999, 1.0, 1.3];
        $solved = 0;
        foreach ($values as $overBlack) {
            foreach ($values as $overWhite) {
                foreach ($values as $black) {
                    foreach ($values as $white) {
                        $film = TwoBackgrounds::solve($overBlack, $overWhite, $black, $white);
                        if ($film !== null) {
                            $solved++;
                            self::assertTrue(is_finite($film->k) && is_finite($film->s) && $film->k >= 0.0 && $film->s >= 0.0, "{$overBlack} {$overWhite} {$black} {$white}");
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(50, $solved);
    }

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
        $bands = 0;
        foreach ((new InventedShelf(11))->paints(12) as $paint) {
            $paint = $paint->scaled(0.3);
            $measured = PotMeasurement::solve($this->read($paint, 0.0, 1));
            foreach ($measured->logSDeviations as $band => $deviation) {
                if ($deviation < 0.01) {
                    $bands++;
                    self::assertEqualsWithDelta($paint->s[$band], $measured->optics->s[$band], 1e-6 * (1 + $paint->s[$band]));
                    self::assertEqualsWithDelta($paint->k[$band], $measured->optics->k[$band], 1e-6 * (1 + $paint->k[$band]));
                }
            }
            self::assertLessThan(0.1, max([0.0, ...array_values($measured->residuals)]));
        }
        self::assertGreaterThan(200, $bands);
    }

    /**
     * A shelf in a painter's hands: no coat is the reference coat, no reading repeats. What is said of a pot is then held
     * against its mixes with white, which nobody read.
     */
    public function test_a_shelf_in_uneven_coats_predicts_the_mixes_that_nobody_read(): void
    {
        foreach (array_slice([[0.002, 0.10, 0.5, 0.9], [0.0025, 0.15, 0.5, 1.1], [0.005, 0.20, 0.5, 1.1]], 0, Rounds::of(1, 3)) as $n => [$noise, $spread, $median, $nineteenOfTwenty]) {
            $shelf = new InventedShelf(31 + $n);
            $paints = $shelf->paints(40);
            $white = self::known($paints[3]);
            $misses = $kept = [];
            $held = $bands = 0;
            foreach ($paints as $i => $paint) {
                if ($i === 3) {
                    continue;
                }
                $measured = PotMeasurement::solve($this->read($paint, $noise, $i, $white, thick: $i % 2 === 0, spread: $spread));
                $misses[] = self::difference(self::lab(self::halfTint($paint, $white)), self::lab(self::halfTint($measured->optics, $white)));
                $kept[] = $measured->optics->quality === OpticsQuality::Measured ? max([0.0, ...array_values($measured->residuals)]) : 0.0;
                foreach ($paint->s as $band => $s) {
                    $bands++;
                    $held += abs(log($s / $measured->optics->s[$band])) <= $measured->logSDeviations[$band] ? 1 : 0;
                }
            }
            sort($misses);
            self::assertLessThan($median, $misses[20]);
            self::assertLessThan($nineteenOfTwenty, $misses[36]);
            // Called measured only where its own readings are given back.
            self::assertLessThanOrEqual(PotMeasurement::GIVEN_BACK, max([0.0, ...$kept]));
            self::assertGreaterThan(28, count(array_filter($kept)));
            // One standard deviation holds about two of three times; the smoothness of S is not all that the fit allows.
            self::assertEqualsWithDelta(0.72, $held / $bands, 0.13);
        }
    }

    public function test_the_spread_that_is_kept_holds_the_colour_of_what_nobody_read(): void
    {
        $held = 0;
        $paints = (new InventedShelf(37))->paints(60);
        foreach ($paints as $i => $paint) {
            $measured = PotMeasurement::solve($this->read($paint, 0.003, $i, $i === 3 ? null : self::known($paints[3]), spread: 0.15));
            $grey = Reflectance::flat(0.35);
            $coat = FilmThickness::coats(0.5);
            $centre = self::labOf($measured->optics->filmOver($grey, $coat))->lightness;
            $variance = 0.0;
            foreach ($measured->spread->modes as $mode) {
                $moved = PaintOptics::of(
                    array_map(static fn (float $k, float $m): float => $k * exp($m), $measured->optics->k, $mode['k']),
                    array_map(static fn (float $s, float $m): float => $s * exp($m), $measured->optics->s, $mode['s']),
                    OpticsQuality::Measured,
                );
                $variance += (self::labOf($moved->filmOver($grey, $coat))->lightness - $centre) ** 2;
            }
            self::assertNotSame([], $measured->spread->modes);
            $held += abs(self::labOf($paint->filmOver($grey, $coat))->lightness - $centre) <= sqrt($variance) ? 1 : 0;
        }
        self::assertEqualsWithDelta(0.68, $held / 60, 0.15);
    }

    public function test_a_tint_tells_the_strength_that_two_opaque_coats_hide(): void
    {
        $paints = (new InventedShelf(13))->paints(30);
        $white = self::known($paints[3]);
        $without = $with = [];
        foreach ($paints as $n => $paint) {
            $paint = $paint->scaled(4.0);
            $blind = PotMeasurement::solve($this->read($paint, 0.0005, $n));
            if (! $blind->needsTint) {
                continue;
            }
            self::assertSame(OpticsQuality::PartlyMeasured, $blind->optics->quality);
            $told = PotMeasurement::solve($this->read($paint, 0.0005, $n, $white));
            self::assertFalse($told->needsTint);
            // As good as the white is known.
            $guessed = PotMeasurement::solve($this->read($paint, 0.0005, $n, $paints[3]));
            self::assertSame(OpticsQuality::PartlyMeasured, $guessed->optics->quality);
            $truth = self::lab(self::halfTint($paint, $white));
            $without[] = self::difference($truth, self::lab(self::halfTint($blind->optics, $white)));
            $with[] = self::difference($truth, self::lab(self::halfTint($told->optics, $white)));
        }
        self::assertGreaterThan(4, count($with));
        self::assertLessThan(0.5, max([0.0, ...$with]));
        self::assertLessThan(array_sum($without) / 3, array_sum($with));
    }

    public function test_honest_swatches_are_taken_and_unpainted_cards_are_not(): void
    {
        foreach ([0.002, 0.005] as $noise) {
            foreach ((new InventedShelf(14))->paints(Rounds::of(15, 40)) as $n => $paint) {
                $white = $n === 3 ? null : self::known((new InventedShelf(14))->paints(4)[3]);
                $readings = $this->read($paint, $noise, $n, $white, thick: true, spread: 0.2);
                PotMeasurement::solve($readings);
                foreach (['overBlack', 'overWhite'] as $coat) {
                    $card = $coat === 'overBlack' ? $readings->overBlack : $readings->overWhite;
                    $seen = self::difference(self::labOf($card->card), self::labOf(Reflectance::of($card->read->values)));
                    if ($seen < 12.0) {
                        // A black on black, a white on white: nobody could tell.
                        continue;
                    }
                    $bare = ReadSpectrum::of(self::noisy($card->card, $noise, $n), $noise);
                    try {
                        PotMeasurement::solve(SwatchReadings::of(
                            $coat === 'overBlack' ? $bare : $readings->overBlack->read,
                            $coat === 'overWhite' ? $bare : $readings->overWhite->read,
                            $readings->overBlack->card,
                            $readings->overWhite->card,
                            $readings->masstone?->read(),
                            $readings->tints,
                            0.2,
                        ));
                        self::fail("paint {$n}, {$coat} left bare");
                    } catch (InvalidReadings $e) {
                        self::assertMatchesRegularExpression('/unpainted|not of one paint|darker than|no film can do/', $e->getMessage());
                    }
                }
            }
        }
    }

    public function test_a_thick_swatch_fixes_the_masstone_of_an_opaque_pot(): void
    {
        $paint = (new InventedShelf(14))->paints(7)[6]->scaled(3.0);
        $measured = PotMeasurement::solve($this->read($paint, 0.0, 1, thick: true));
        self::assertLessThan(0.2, self::difference(self::lab($paint), self::lab($measured->optics)));
    }

    public function test_readings_that_contradict_each_other_are_refused_by_band(): void
    {
        $flat = static fn (float $v): ReadSpectrum => ReadSpectrum::of(Reflectance::flat($v), 0.001);
        $cases = [
            'exchanged, or one coat is thicker' => [$flat(0.5), $flat(0.3), 0.04, 0.9],
            'the two cards are the same' => [$flat(0.3), $flat(0.5), 0.4, 0.4],
            'no film can do that' => [$flat(0.1), $flat(0.9), 0.3, 0.9],
        ];
        foreach ($cases as $words => [$overBlack, $overWhite, $black, $white]) {
            try {
                SwatchReadings::of($overBlack, $overWhite, Reflectance::flat($black), Reflectance::flat($white));
                self::fail($words);
            } catch (InvalidReadings $e) {
                self::assertStringContainsString($words, $e->getMessage());
                self::assertStringContainsString('380 nm', $e->getMessage());
            }
        }
        $this->expectExceptionMessageMatches('/^the (thick swatch|coat over (black|white)) is .* not of one paint$/');
        PotMeasurement::solve(SwatchReadings::of($flat(0.3), $flat(0.5), Reflectance::flat(0.04), Reflectance::flat(0.9), $flat(0.1)));
    }

    /**
     * @param  PaintOptics|null  $white  that a tint is read with; null for no tint
     * @param  float  $spread  of the two coats, as standard deviation of the logarithm
     */
    private function read(PaintOptics $paint, float $noise, int $seed, ?PaintOptics $white = null, bool $thick = false, float $spread = 0.0): SwatchReadings
    {
        $black = Reflectance::flat(0.035);
        $card = Reflectance::flat(0.9);
        $random = new Randomizer(new Mt19937(1000 + $seed));
        $coat = static fn (): FilmThickness => FilmThickness::coats(exp($spread * self::gauss($random)));
        $read = static fn (Reflectance $true, int $n): ReadSpectrum => ReadSpectrum::of(self::noisy($true, $noise, 5 * $seed + $n), max(0.0005, $noise));

        return SwatchReadings::of(
            $read($paint->filmOver($black, $coat()), 0),
            $read($paint->filmOver($card, $coat()), 1),
            $black,
            $card,
            $thick ? $read($paint->masstone(), 2) : null,
            $white === null ? [] : [new TintReading($read(PaintOptics::mixed([[$paint, 1.0], [$white, 5.0]])->masstone(), 3), $white)],
            $spread,
        );
    }

    private static function known(PaintOptics $paint): PaintOptics
    {
        return PaintOptics::of($paint->k, $paint->s, OpticsQuality::Measured);
    }

    private static function halfTint(PaintOptics $paint, PaintOptics $white): PaintOptics
    {
        return PaintOptics::mixed([[$paint, 1.0], [$white, 1.0]]);
    }

    /** By Box and Muller (1958), cut at three standard deviations. */
    private static function gauss(Randomizer $random): float
    {
        $u = $random->getInt(1, 1_000_000) / 1_000_000;

        return max(-3.0, min(3.0, sqrt(-2 * log($u)) * cos(2 * M_PI * $random->getInt(0, 1_000_000) / 1_000_000)));
    }

    private static function noisy(Reflectance $true, float $sigma, int $seed): Reflectance
    {
        $random = new Randomizer(new Mt19937($seed));

        return Reflectance::of(array_map(static fn (float $v): float => max(0.0, min(1.0, $v + $sigma * self::gauss($random))), $true->values));
    }

    private static function labOf(Reflectance $seen): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz($seen)->toLab();
    }

    private static function lab(PaintOptics $paint): Lab
    {
        return self::labOf($paint->masstone());
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
        self::assertGreaterThan(0.05, $measured->logSDeviations[35]);
        self::assertEqualsWithDelta($paint->s[35], $measured->optics->s[35], 0.25 * $paint->s[35]);
    }
}

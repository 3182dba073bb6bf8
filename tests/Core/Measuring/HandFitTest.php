<?php

declare(strict_types=1);

namespace Tests\Core\Measuring;

use Hyalin\Colour\Reflectance;
use Hyalin\Measuring\Chip;
use Hyalin\Measuring\HandFit;
use Hyalin\Measuring\InvalidReadings;
use Hyalin\Optics\AreaCoverage;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\InventedShelf;
use Tests\Support\Rounds;

final class HandFitTest extends TestCase
{
    public function test_coverage_and_thickness_are_recovered_from_known_pots_in_an_even_hand(): void
    {
        $paints = (new InventedShelf(21))->paints(4);
        foreach ([[0.35, 0.8], [0.7, 1.4], [0.12, 0.5]] as [$coverage, $thickness]) {
            $chips = [];
            foreach ($paints as $i => $paint) {
                $chips[] = $this->chip($paint->scaled(0.4), OpticsSpread::none(), $i % 2 === 0 ? 0.035 : 0.88, 1 + $i % 3, $coverage, $thickness, new Randomizer(new Mt19937($i)), 0.0);
            }
            $fit = HandFit::of($chips, false, $coverage, 1.0, 0.01);
            self::assertEqualsWithDelta($coverage, $fit->coverage, 0.05 * $coverage);
            self::assertEqualsWithDelta($thickness, $fit->thickness, 0.05 * $thickness);
            self::assertLessThan(2e-4, $fit->residual);
        }
    }

    /**
     * Hands, pots and chips drawn at random: what is said of a hand holds it about two out of three times, of few chips and of
     * many, with pots that are known and pots that are only estimated.
     */
    public function test_what_is_said_of_a_hand_holds_it_two_out_of_three_times(): void
    {
        $random = new Randomizer(new Mt19937(22));
        foreach ([[OpticsQuality::Measured, 0.15], [OpticsQuality::Measured, 0.10], [OpticsQuality::Estimated, 0.15], [OpticsQuality::PartlyMeasured, 0.20]] as [$quality, $scatter]) {
            $spread = OpticsSpread::usual($quality);
            $thick = $covered = $widest = 0;
            $tries = Rounds::of(60, 125);
            for ($n = 0; $n < $tries; $n++) {
                $thickness = exp(0.3 * self::gauss($random));
                $coverage = min(0.95, 0.5 * exp(0.25 * self::gauss($random)));
                $shelf = (new InventedShelf(300 + $n))->paints(4);
                $chips = [];
                for ($i = 0; $i <= $n % 6; $i++) {
                    $chips[] = $this->chip(
                        $shelf[$i % 4]->scaled(0.5), $spread, $i % 2 === 0 ? 0.88 : 0.035, 1 + $i % 2,
                        min(1.0, $coverage * exp($scatter * self::gauss($random))), $thickness * exp($scatter * self::gauss($random)), $random, 0.002,
                    );
                }
                $fit = HandFit::of($chips, false);
                $thick += abs($fit->thickness - $thickness) <= $fit->thicknessDeviation ? 1 : 0;
                $covered += abs($fit->coverage - $coverage) <= $fit->coverageDeviation ? 1 : 0;
                $widest = max($widest, $fit->thicknessDeviation / $fit->thickness);
            }
            self::assertEqualsWithDelta(0.68, $thick / $tries, 0.12, "{$quality->value}, {$scatter}");
            self::assertEqualsWithDelta(0.68, $covered / $tries, 0.15, "{$quality->value}, {$scatter}");
            // Never less sure than of a hand that nobody looked at.
            self::assertLessThanOrEqual(0.301, $widest);
        }
    }

    public function test_what_a_pot_is_unsure_of_is_not_learnt_as_the_hands(): void
    {
        $paint = (new InventedShelf(23))->paints(1)[0]->scaled(0.3);
        $fits = [];
        foreach (OpticsQuality::cases() as $quality) {
            $random = new Randomizer(new Mt19937(5));
            $fits[$quality->value] = HandFit::of([$this->chip($paint, OpticsSpread::usual($quality), 0.88, 1, 1.0, 1.6, $random, 0.001, drawn: false)], true);
            self::assertSame([1.0, 0.0], [$fits[$quality->value]->coverage, $fits[$quality->value]->coverageDeviation]);
        }
        // One chip that came out thick: by a known pot mostly the hand, by an estimated one mostly the pot.
        self::assertGreaterThan($fits['estimated']->thickness + 0.1, $fits['measured']->thickness);
        self::assertGreaterThan($fits['measured']->thicknessDeviation / $fits['measured']->thickness, $fits['estimated']->thicknessDeviation / $fits['estimated']->thickness);
    }

    /**
     * One chip that came out 1.6 times as thick, of a pot that is known: hands differ by 30 %, chips of one hand by 15 % (own estimates),
     * so by hand 0.3^2 / (0.3^2 + 0.15^2) = 0.8 of it is the hand's.
     */
    public function test_one_chip_is_weighed_against_what_is_held_of_hands(): void
    {
        $fit = HandFit::of([$this->chip((new InventedShelf(23))->paints(1)[0]->scaled(0.3), OpticsSpread::none(), 0.88, 1, 1.0, 1.6, new Randomizer(new Mt19937(5)), 0.0, drawn: false)], true);
        self::assertEqualsWithDelta(0.8, log($fit->thickness) / log(1.6), 0.03);
        // What remains: sqrt(1 / (1 / 0.3^2 + 1 / 0.15^2)) = 0.134.
        self::assertEqualsWithDelta(0.134, $fit->thicknessDeviation / $fit->thickness, 0.008);
    }

    public function test_chips_that_tell_nothing_are_refused(): void
    {
        $card = Reflectance::flat(0.5);
        $this->expectException(InvalidReadings::class);
        $this->expectExceptionMessage('say nothing about your technique');
        HandFit::of([new Chip(PaintOptics::clear(), $card, 1, $card, 'clear', OpticsSpread::none())], true);
    }

    /** @param  bool  $drawn  whether what is in the pot differs from what is held of it, as its spread says */
    private function chip(PaintOptics $paint, OpticsSpread $spread, float $card, int $coats, float $coverage, float $thickness, Randomizer $random, float $noise, bool $drawn = true): Chip
    {
        $true = $paint;
        foreach ($drawn ? $spread->modes : [] as $mode) {
            $z = self::gauss($random);
            $moved = static fn (float $v, float $m): float => $v * exp($z * $m);
            $true = PaintOptics::of(array_map($moved, $true->k, $mode['k']), array_map($moved, $true->s, $mode['s']), OpticsQuality::Measured);
        }
        $under = Reflectance::flat($card);
        $seen = $under;
        for ($coat = 0; $coat < $coats; $coat++) {
            $seen = AreaCoverage::of($coverage)->blend($true->filmOver($seen, FilmThickness::coats($thickness)), $seen);
        }
        $read = array_map(static fn (float $v): float => max(0.0, min(1.0, $v + $noise * self::gauss($random))), $seen->values);

        return new Chip($paint, $under, $coats, Reflectance::of($read), (string) spl_object_id($paint), $spread);
    }

    /** By Box and Muller (1958). */
    private static function gauss(Randomizer $random): float
    {
        return sqrt(-2 * log($random->getInt(1, 1_000_000) / 1_000_000)) * cos(2 * M_PI * $random->getInt(0, 1_000_000) / 1_000_000);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Measuring;

use Hyalin\Colour\Reflectance;
use Hyalin\Measuring\Chip;
use Hyalin\Measuring\HandFit;
use Hyalin\Measuring\InvalidReadings;
use Hyalin\Optics\AreaCoverage;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\InventedShelf;

final class HandFitTest extends TestCase
{
    public function test_coverage_and_thickness_are_recovered_exactly_without_noise(): void
    {
        $paints = (new InventedShelf(21))->paints(4);
        foreach ([[0.35, 0.8], [0.7, 1.4], [0.12, 0.5]] as [$coverage, $thickness]) {
            $chips = [];
            foreach ($paints as $i => $paint) {
                $chips[] = $this->chip($paint->scaled(0.4), $i % 2 === 0 ? 0.035 : 0.88, 1 + $i % 3, $coverage, $thickness, 0.0, $i);
            }
            $fit = HandFit::of($chips, false);
            self::assertEqualsWithDelta($coverage, $fit->coverage, 1e-4);
            self::assertEqualsWithDelta($thickness, $fit->thickness, 1e-3);
            self::assertLessThan(1e-5, $fit->residual);
        }
    }

    /** Of many noisy fits, the truth lies within two stated deviations about as often as it should. */
    public function test_the_stated_uncertainty_is_the_scatter_of_repeated_chips(): void
    {
        $paint = (new InventedShelf(22))->paints(3)[2]->scaled(0.3);
        $within = 0;
        $tries = 60;
        for ($n = 0; $n < $tries; $n++) {
            $fit = HandFit::of([
                $this->chip($paint, 0.88, 1, 0.6, 1.2, 0.004, 2 * $n),
                $this->chip($paint, 0.035, 2, 0.6, 1.2, 0.004, 2 * $n + 1),
            ], false);
            $within += abs($fit->coverage - 0.6) <= 2 * $fit->coverageDeviation && abs($fit->thickness - 1.2) <= 2 * $fit->thicknessDeviation ? 1 : 0;
        }
        // Two parameters within two deviations each: about 0.92 of the time.
        self::assertGreaterThan(0.75 * $tries, $within);
    }

    public function test_a_covering_technique_has_only_its_thickness_fitted(): void
    {
        $paint = (new InventedShelf(23))->paints(1)[0]->scaled(0.3);
        $fit = HandFit::of([$this->chip($paint, 0.88, 1, 1.0, 1.3, 0.001, 5)], true);
        self::assertSame([1.0, 0.0], [$fit->coverage, $fit->coverageDeviation]);
        self::assertEqualsWithDelta(1.3, $fit->thickness, 4 * $fit->thicknessDeviation + 1e-3);
        self::assertGreaterThan(0.0, $fit->thicknessDeviation);
    }

    public function test_chips_that_tell_nothing_are_refused(): void
    {
        $card = Reflectance::flat(0.5);
        $this->expectException(InvalidReadings::class);
        $this->expectExceptionMessage('say nothing about your technique');
        HandFit::of([new Chip(PaintOptics::clear(), $card, 1, $card)], true);
    }

    private function chip(PaintOptics $paint, float $card, int $coats, float $coverage, float $thickness, float $noise, int $seed): Chip
    {
        $random = new Randomizer(new Mt19937($seed));
        $under = Reflectance::flat($card);
        $seen = $under;
        for ($coat = 0; $coat < $coats; $coat++) {
            $seen = AreaCoverage::of($coverage)->blend($paint->filmOver($seen, FilmThickness::coats($thickness)), $seen);
        }
        $read = array_map(static function (float $v) use ($random, $noise): float {
            $gauss = sqrt(-2 * log($random->getInt(1, 1_000_000) / 1_000_000)) * cos(2 * M_PI * $random->getInt(0, 1_000_000) / 1_000_000);

            return max(0.0, min(1.0, $v + $noise * $gauss));
        }, $seen->values);

        return new Chip($paint, $under, $coats, Reflectance::of($read));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Matching;

use Hyalin\Colour\ColourTemperature;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Colour\Xyz;
use Hyalin\Matching\Neutral\ChartCorners;
use Hyalin\Matching\Neutral\ChartFit;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Matching\Neutral\GreyPatch;
use Hyalin\Matching\Neutral\InvalidNeutral;
use Hyalin\Matching\Neutral\LightField;
use Hyalin\Matching\Neutral\ToneCurve;
use Hyalin\Matching\Sampling\SampleStatistics;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\CheckValues;

final class NeutralTest extends TestCase
{
    /** CIE 15: correlated colour temperatures of the standard illuminants; D65 lies 0.0032 above the black bodies. */
    #[DataProvider('temperatures')]
    public function test_the_colour_temperature_of_a_standard_illuminant_is_the_published_one(Illuminant $light, float $kelvin, float $distance): void
    {
        $temperature = ColourTemperature::of(Xyz::of(...SpectralSum::under($light)->white()));
        self::assertEqualsWithDelta($kelvin, $temperature->kelvin, 6.0);
        self::assertEqualsWithDelta($distance, $temperature->distance, 2e-4);
    }

    /** @return iterable<string, array{Illuminant, float, float}> */
    public static function temperatures(): iterable
    {
        yield 'A' => [Illuminant::A, 2856, 0.0];
        yield 'D50' => [Illuminant::D50, 5003, 0.0032];
        yield 'D65' => [Illuminant::D65, 6504, 0.0032];
        yield 'C' => [Illuminant::C, 6774, -0.0022];
    }

    public function test_the_reference_values_of_the_chart_are_the_published_ones(): void
    {
        $rows = CheckValues::rows('chart24_lab_d50');
        self::assertCount(24, $rows);
        foreach (ChartPatches::underD65() as $i => $lab) {
            self::assertEqualsWithDelta(CheckValues::numbers($rows[$i], 'L', 'a', 'b'), $lab->toXyz()->adaptedTo(Illuminant::D50)->toLab()->toArray(), 1e-6);
        }
    }

    /**
     * A real chart's published spectra, photographed by lamps of published spectra, 8 bits. That chart itself lies
     * CIEDE2000 2.2 in the mean from the reference values, as its file says.
     */
    #[DataProvider('lamps')]
    public function test_a_photographed_chart_comes_back_to_its_published_colours(Illuminant $lamp, float $exposure, float $mean): void
    {
        $fit = ChartFit::of(self::photographed($lamp, $exposure));
        self::assertLessThan($mean, $fit->mean());
        self::assertLessThan(4 * $mean, max(0.0, ...$fit->residuals));
    }

    /** @return iterable<string, array{Illuminant, float, float}> */
    public static function lamps(): iterable
    {
        foreach ([
            ['daylight', Illuminant::D65, 1.0, 1.5],
            ['warm lamp', Illuminant::A, 0.6, 3.0],
            ['LED', Illuminant::Led, 0.5, 2.0],
            ['dark', Illuminant::D50, 0.12, 2.2],
        ] as [$name, $lamp, $exposure, $mean]) {
            yield $name => [$lamp, $exposure, $mean];
        }
    }

    public function test_the_fit_does_not_depend_on_the_exposure(): void
    {
        $patches = self::photographed(Illuminant::A, 0.8, bits: false);
        $one = ChartFit::of($patches);
        $two = ChartFit::of(array_map(static fn (array $p): array => [$p[0] / 3, $p[1] / 3, $p[2] / 3], $patches));
        $colour = [0.21, 0.33, 0.08];
        self::assertEqualsWithDelta($one->corrected($colour), $two->corrected([0.07, 0.11, 0.08 / 3]), 1e-9);
    }

    public function test_a_chart_taken_by_its_wrong_corners_is_told_which_way_it_lies(): void
    {
        $patches = self::photographed(Illuminant::D50, 0.8);
        $rows = array_chunk($patches, 6);
        foreach ([
            'turned by half' => array_reverse($patches),
            'from right to left' => array_merge(...array_map(array_reverse(...), $rows)),
            'from bottom to top' => array_merge(...array_reverse($rows)),
        ] as $how => $wrong) {
            try {
                ChartFit::of($wrong);
                self::fail($how);
            } catch (InvalidNeutral $e) {
                self::assertStringContainsString($how, $e->getMessage());
            }
        }
        // No chart at all.
        $random = new Randomizer(new Mt19937(3));
        $this->expectExceptionMessage('not those of the chart');
        ChartFit::of(array_map(static fn (): array => [$random->getInt(1, 99) / 100, $random->getInt(1, 99) / 100, $random->getInt(1, 99) / 100], range(1, 24)));
    }

    public function test_the_patches_lie_where_perspective_puts_them(): void
    {
        // A flat chart: corner middles on a grid of 100 pixels a patch.
        $flat = ChartCorners::of([[50, 50], [550, 50], [550, 350], [50, 350]]);
        self::assertEqualsWithDelta([[328, 128], [372, 128], [372, 172], [328, 172]], $flat->patch(9), 1e-9);
        // The middle of a projected rectangle is where its diagonals cross.
        $corners = [[100.0, 80.0], [700.0, 140.0], [640.0, 500.0], [60.0, 420.0]];
        $tilted = ChartCorners::of($corners);
        $middle = [0.0, 0.0];
        foreach ([8, 9, 14, 15] as $patch) {
            foreach ($tilted->patch($patch) as [$x, $y]) {
                $middle = [$middle[0] + $x / 16, $middle[1] + $y / 16];
            }
        }
        $t = self::crossing($corners);
        self::assertEqualsWithDelta($t, $middle, 6.0);
        foreach ([
            'wrong way round' => [[50, 50], [50, 350], [550, 350], [550, 50]],
            'on a line' => [[50, 50], [550, 50], [300, 50], [50, 350]],
            'cross over' => [[50, 50], [550, 350], [550, 50], [50, 350]],
        ] as $why => $wrong) {
            try {
                ChartCorners::of($wrong);
                self::fail($why);
            } catch (InvalidNeutral $e) {
                self::assertMatchesRegularExpression('/wrong way round|on a line, or they cross/', $e->getMessage());
            }
        }
    }

    public function test_a_grey_card_takes_lamp_and_exposure_out(): void
    {
        // Under lamp A at two thirds of the exposure; one matt paint beside the card.
        $card = self::pixel(Reflectance::flat(0.18), Illuminant::A, 0.66);
        $white = self::pixel(Reflectance::flat(0.5), Illuminant::A, 0.66);
        $correction = GreyPatch::of(SampleStatistics::of(array_fill(0, 50, $card)), 0.18);
        self::assertEqualsWithDelta(2856, $correction->lamp->kelvin, 80);
        self::assertLessThan(3.0, $correction->bound);
        $seen = SampleStatistics::of(array_fill(0, 50, $white), $correction)->colour;
        self::assertLessThan(1.5, DifferenceFormula::Ciede2000->between(Lab::of(...self::labOf(Reflectance::flat(0.5))), $seen));
        // Exposure kept when the card's reflectance is not known: neutral, but as light as it was.
        $kept = SampleStatistics::of(array_fill(0, 50, $card), GreyPatch::of(SampleStatistics::of(array_fill(0, 50, $card)), null))->colour;
        self::assertEqualsWithDelta(0.0, hypot($kept->a, $kept->b), 1e-6);
        self::assertEqualsWithDelta(SampleStatistics::of([$card])->colour->lightness, $kept->lightness, 1e-6);
    }

    /**
     * 170 natural surfaces (M. J. Vrhel, R. Gershon, L. S. Iwan, 1994) beside a grey card: what is said of how well they are told
     * holds under lamps of published spectra, and it is not said wider than they are.
     */
    public function test_what_is_said_of_a_grey_card_holds_for_surfaces_of_nature(): void
    {
        $half = $most = $all = 0;
        foreach ([Illuminant::D65, Illuminant::D50, Illuminant::Led, Illuminant::A] as $lamp) {
            foreach ([0.0, 0.02] as $contrast) {
                $card = self::toned(Reflectance::flat(0.18), $lamp, $contrast);
                $correction = GreyPatch::of(SampleStatistics::of(array_fill(0, 50, $card)), 0.18);
                [$typical, $bound] = $correction->expected();
                foreach (CheckValues::rows('natural_surfaces_vrhel_10nm') as $row) {
                    $values = array_map(floatval(...), array_slice(array_values($row), 2));
                    $surface = Reflectance::of([$values[0], ...$values]);
                    $seen = SampleStatistics::of([self::toned($surface, $lamp, $contrast)], $correction)->colour;
                    $missed = DifferenceFormula::Ciede2000->between(Lab::of(...self::labOf($surface)), $seen);
                    $half += $missed <= $typical ? 1 : 0;
                    $most += $missed <= $bound ? 1 : 0;
                    $all++;
                }
            }
        }
        self::assertEqualsWithDelta(0.6, $half / $all, 0.15);
        self::assertGreaterThan(0.9, $most / $all);
    }

    public function test_a_tone_curve_is_undone_where_that_brings_the_coloured_patches_nearer(): void
    {
        foreach ([Illuminant::D65, Illuminant::Led] as $lamp) {
            $plain = self::photographed($lamp, 0.8);
            self::assertNull(ChartFit::of($plain)->curve);
            $curved = array_map(static fn (array $p): array => array_map(static fn (float $v): float => Srgb::decode(self::contrasted(Srgb::encode($v), 0.06)), $p), $plain);
            $fit = ChartFit::of($curved);
            self::assertNotNull($fit->curve);
            self::assertLessThan(ChartFit::of($plain)->mean() + 0.4, $fit->mean());
            // What is told of colours that are not on the chart is told from fits without them: never better than the fit itself.
            [$half, $most] = $fit->leftOut($curved);
            self::assertGreaterThan($fit->mean() * 0.8, $half);
            self::assertGreaterThan($half, $most);
        }
    }

    public function test_a_curve_through_greys_rises_and_gives_them_back(): void
    {
        $true = [0.9, 0.59, 0.36, 0.19, 0.09, 0.03];
        $seen = array_map(static fn (float $v): array => [0.8 * $v ** 0.7, 0.7 * $v ** 0.8, 0.6 * $v], $true);
        $curve = ToneCurve::through($seen, $true);
        self::assertNotNull($curve);
        foreach ($seen as $i => $grey) {
            self::assertEqualsWithDelta(array_fill(0, 3, $true[$i]), $curve->linearised($grey), 1e-9);
        }
        $before = [-1.0, -1.0, -1.0];
        for ($v = 0.0; $v <= 1.2; $v += 0.004) {
            $now = $curve->linearised([$v, $v, $v]);
            foreach ($now as $channel => $light) {
                self::assertGreaterThanOrEqual($before[$channel], $light);
            }
            $before = $now;
        }
        self::assertNull(ToneCurve::through(array_reverse($seen), $true));
    }

    public function test_light_that_falls_off_is_evened_by_a_second_grey_and_by_the_chart(): void
    {
        $grey = [0.2, 0.18, 0.15];
        $field = LightField::through([[0.1, 0.5], [0.8, 0.5]], [self::fallen($grey, 0.1, 0.5), self::fallen($grey, 0.8, 0.5)]);
        foreach ([0.0, 0.3, 0.95] as $x) {
            self::assertEqualsWithDelta(self::fallen($grey, 0.1, 0.5), $field->evened(self::fallen($grey, $x, 0.5), $x, 0.5), 2e-3);
        }
        self::assertEqualsWithDelta(exp(1.1), $field->contrast(), 0.05);
        $patches = self::photographed(Illuminant::D50, 0.5);
        $at = array_map(static fn (int $i): array => [0.2 + 0.1 * ($i % 6), 0.3 + 0.1 * intdiv($i, 6)], range(0, 23));
        self::assertNull(ChartFit::of($patches, $at)->field);
        $uneven = array_map(static fn (array $p, array $xy): array => self::fallen($p, $xy[0], $xy[1]), $patches, $at);
        $fit = ChartFit::of($uneven, $at);
        self::assertLessThan(ChartFit::of($patches)->mean() + 0.5, $fit->mean());
        self::assertGreaterThan(1.5 * $fit->mean(), ChartFit::of($uneven)->mean());
    }

    #[DataProvider('noGreys')]
    public function test_what_is_no_grey_is_refused_with_the_reason(int $pixel, string $words): void
    {
        $this->expectException(InvalidNeutral::class);
        $this->expectExceptionMessage($words);
        GreyPatch::of(SampleStatistics::of(array_fill(0, 50, $pixel)), 0.18);
    }

    /** @return iterable<string, array{int, string}> */
    public static function noGreys(): iterable
    {
        yield 'clipped' => [0xFFE0C0, 'is clipped'];
        yield 'black' => [0x050404, 'noise'];
        yield 'moss' => [0x96BE96, 'green side'];
        // A brown wall, and a blue one: under daylight they look like a grey under a candle, and under no sky.
        yield 'wall' => [0xA8601C, 'brown, orange or yellow'];
        yield 'sky' => [0x7F94C9, 'blue'];
        yield 'heather' => [0xBE8CBE, 'purple side'];
    }

    public function test_a_patch_over_two_colours_is_refused(): void
    {
        $this->expectExceptionMessage('not one colour');
        GreyPatch::of(SampleStatistics::of([...array_fill(0, 30, 0x808080), ...array_fill(0, 30, 0x303030)]), 0.18);
    }

    /** @return list<array{float, float, float}> linear sRGB of the 24 patches, the camera without any white balance */
    private static function photographed(Illuminant $lamp, float $exposure, bool $bits = true): array
    {
        $spectra = array_fill(1, 24, []);
        foreach (CheckValues::rows('chart24_reflectance_10nm') as $row) {
            foreach (array_slice(array_values($row), 1) as $i => $value) {
                $spectra[$i + 1][] = (float) $value;
            }
        }
        $patches = [];
        foreach ($spectra as $values) {
            // Published from 400 nm; what lies below weighs next to nothing.
            $reflectance = Reflectance::of([$values[0], $values[0], ...$values]);
            if ($bits) {
                $p = self::pixel($reflectance, $lamp, $exposure);
                $patches[] = [Srgb::decode(($p >> 16) / 255), Srgb::decode((($p >> 8) & 255) / 255), Srgb::decode(($p & 255) / 255)];
            } else {
                $patches[] = self::light($reflectance, $lamp, $exposure);
            }
        }

        return $patches;
    }

    /**
     * @param  array{float, float, float}  $p
     * @return array{float, float, float} in light that falls off to the right
     */
    private static function fallen(array $p, float $x, float $y): array
    {
        $factor = exp(-1.1 * $x + 0.4 * $y);

        return [$factor * $p[0], $factor * $p[1], $factor * $p[2]];
    }

    /** A camera that adds contrast: an S through black, middle and white. */
    private static function contrasted(float $code, float $amount): float
    {
        return max(0.0, min(1.0, $code + $amount * sin(2 * M_PI * ($code - 0.5))));
    }

    private static function toned(Reflectance $surface, Illuminant $lamp, float $contrast): int
    {
        $packed = 0;
        foreach (self::light($surface, $lamp, 0.8) as $v) {
            $packed = $packed << 8 | (int) round(255 * self::contrasted(Srgb::encode(max(0.0, min(1.0, $v))), $contrast));
        }

        return $packed;
    }

    private static function pixel(Reflectance $surface, Illuminant $lamp, float $exposure): int
    {
        return (int) hexdec(substr(Srgb::fromLinear(self::light($surface, $lamp, $exposure))->toHex(), 1));
    }

    /** @return array{float, float, float} */
    private static function light(Reflectance $surface, Illuminant $lamp, float $exposure): array
    {
        [$x, $y, $z] = SpectralSum::under($lamp)->tristimulus($surface->values);

        return Xyz::of($exposure * $x, $exposure * $y, $exposure * $z)->toSrgb()->linear();
    }

    /** @return array{float, float, float} */
    private static function labOf(Reflectance $surface): array
    {
        return SpectralSum::under(Illuminant::D65)->xyz($surface)->toLab()->toArray();
    }

    /**
     * @param  list<array{float, float}>  $c
     * @return array{float, float} where the diagonals cross
     */
    private static function crossing(array $c): array
    {
        [[$x0, $y0], [$x1, $y1], [$x2, $y2], [$x3, $y3]] = $c;
        $d = ($x2 - $x0) * ($y3 - $y1) - ($y2 - $y0) * ($x3 - $x1);
        $t = (($x1 - $x0) * ($y3 - $y1) - ($y1 - $y0) * ($x3 - $x1)) / $d;

        return [$x0 + $t * ($x2 - $x0), $y0 + $t * ($y2 - $y0)];
    }
}

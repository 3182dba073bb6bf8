<?php

declare(strict_types=1);

namespace Tests\Core\Colour;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Bradford;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\CieLab;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\GamutMapping;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\InvalidColour;
use Hyalin\Colour\InvalidSpectrum;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Lch;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Colour\Xyz;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\CheckValues;
use Tests\Support\Node;

final class ColourStandardsTest extends TestCase
{
    /** Sharma, Wu, Dalal, Color Research and Application 30(1), 21-30 (2005), Table 1. */
    public function test_ciede2000_gives_the_34_published_pairs_both_ways_round(): void
    {
        $pairs = CheckValues::rows('ciede2000_sharma2005_34pairs');
        self::assertCount(34, $pairs);
        foreach ($pairs as $pair) {
            [$l1, $a1, $b1, $l2, $a2, $b2, $expected] = CheckValues::numbers($pair, 'L1', 'a1', 'b1', 'L2', 'a2', 'b2', 'dE00_10dec');
            self::assertEqualsWithDelta($expected, Ciede2000::between($l1, $a1, $b1, $l2, $a2, $b2), 1e-6, "pair {$pair['pair']}");
            self::assertEqualsWithDelta($expected, Ciede2000::between($l2, $a2, $b2, $l1, $a1, $b1), 1e-6, "pair {$pair['pair']} reversed");
        }
    }

    /** CIE 15:2004 section 8.2.1 with the white points of ASTM E308. */
    public function test_cielab_gives_the_published_examples_and_goes_back(): void
    {
        foreach (CheckValues::rows('cielab_examples') as $row) {
            [$xn, $yn, $zn, $x, $y, $z, $l, $a, $b] = CheckValues::numbers($row, 'Xn', 'Yn', 'Zn', 'X', 'Y', 'Z', 'L', 'a', 'b');
            $lab = CieLab::fromRatios($x / $xn, $y / $yn, $z / $zn);
            self::assertEqualsWithDelta([$l, $a, $b], $lab, 1e-8);
            self::assertEqualsWithDelta([$x / $xn, $y / $yn, $z / $zn], CieLab::toRatios(...$lab), 1e-12);
        }
    }

    /** IEC 61966-2-1 with the exact matrix of its primaries; Lab relative to the standard's own white. */
    public function test_srgb_gives_the_lab_of_the_standard(): void
    {
        foreach (CheckValues::rows('srgb_examples') as $row) {
            [$r, $g, $b, $rl, $gl, $bl, $l, $a, $bb] = CheckValues::numbers($row, 'R8', 'G8', 'B8', 'R_lin', 'G_lin', 'B_lin', 'L_D65', 'a_D65', 'b_D65');
            $srgb = Srgb::of($r / 255, $g / 255, $b / 255);
            self::assertEqualsWithDelta([$rl, $gl, $bl], $srgb->linear(), 1e-9, $row['name']);
            self::assertEqualsWithDelta([$l, $a, $bb], $srgb->toXyz()->toLab()->toArray(), 1e-4, $row['name']);
        }
    }

    /** Bradford: ICC.1 linearised; examples with the ASTM E308 whites. */
    public function test_bradford_gives_the_published_examples(): void
    {
        $whites = ['D65' => [95.047, 100.0, 108.883], 'D50' => [96.422, 100.0, 82.521], 'A' => [109.85, 100.0, 35.585]];
        $checked = 0;
        foreach (CheckValues::rows('chromatic_adaptation_examples') as $row) {
            if ($row['cat'] !== 'bradford' || ! isset($whites[$row['from']], $whites[$row['to']])) {
                continue;
            }
            [$x, $y, $z, $x2, $y2, $z2] = CheckValues::numbers($row, 'X1', 'Y1', 'Z1', 'X2', 'Y2', 'Z2');
            $adapted = Bradford::between([$x, $y, $z], $whites[$row['from']], $whites[$row['to']]);
            self::assertEqualsWithDelta([$x2, $y2, $z2], $adapted, 1e-6);
            $checked++;
        }
        self::assertGreaterThan(5, $checked);
    }

    /** The 36-band plain sum of CIE 015 on analytic reflectances, computed independently. */
    public function test_spectra_sum_to_the_known_tristimulus_values(): void
    {
        $spectra = [];
        foreach (CheckValues::rows('spectral_examples_reflectance_10nm') as $row) {
            foreach ($row as $name => $value) {
                $spectra[$name][] = (float) $value;
            }
        }
        foreach (CheckValues::rows('spectral_examples_xyz_lab') as $row) {
            $light = Illuminant::tryFrom($row['illuminant']);
            if ($light === null) {
                continue;
            }
            $xyz = SpectralSum::under($light)->xyz(Reflectance::of($spectra[$row['sample']]));
            self::assertEqualsWithDelta(CheckValues::numbers($row, 'X_10nm', 'Y_10nm', 'Z_10nm'), $xyz->toArray(), 1e-4);
            self::assertEqualsWithDelta(CheckValues::numbers($row, 'L_10nm', 'a_10nm', 'b_10nm'), $xyz->toLab()->toArray(), 1e-3);
        }
    }

    /** Nickerson's measured Munsell papers under illuminant C; the reference sums 5 nm tables from 380 to 780 nm. */
    public function test_munsell_papers_come_out_where_a_finer_sum_puts_them(): void
    {
        $known = array_column(CheckValues::rows('munsell_nickerson_lab_c'), null, 'chip');
        $spectra = [];
        foreach (CheckValues::rows('munsell_nickerson_reflectance_10nm') as $row) {
            foreach (array_slice($row, 1) as $chip => $value) {
                $spectra[$chip][] = (float) $value;
            }
        }
        self::assertCount(77, $spectra);
        foreach ($spectra as $chip => $measured) {
            // Measured from 400 to 700 nm; the ends are held constant, as in the reference.
            $values = [...array_fill(0, 2, $measured[0]), ...$measured, ...array_fill(0, 3, $measured[30])];
            $lab = SpectralSum::under(Illuminant::C)->xyz(Reflectance::of($values))->toLab();
            $expected = CheckValues::numbers($known[$chip], 'L', 'a', 'b');
            self::assertEqualsWithDelta($expected, $lab->toArray(), 0.25, $chip);
        }
    }

    /** A second implementation, the general colour library culori, on colours of our own choice. */
    public function test_a_second_implementation_agrees_on_differences(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $pairs = $ours = [];
        for ($i = 0; $i < 400; $i++) {
            $pair = [];
            foreach ([0, 1] as $n) {
                $pair[$n] = [$random->getInt(0, 1000) / 10, $random->getInt(-1100, 1100) / 10, $random->getInt(-1100, 1100) / 10];
            }
            $pairs[] = $pair;
            $reference = Lab::parse($pair[0]);
            $sample = Lab::parse($pair[1]);
            $ours[] = [
                DifferenceFormula::Ciede2000->between($reference, $sample),
                DifferenceFormula::Cie76->between($reference, $sample),
                DifferenceFormula::Cie94->between($reference, $sample),
            ];
        }
        $theirs = Node::ask(<<<'JS'
            import { differenceCiede2000, differenceEuclidean, differenceCie94 } from 'culori';
            const colour = ([l, a, b]) => ({ mode: 'lab65', l, a, b });
            const formulas = [differenceCiede2000(), differenceEuclidean('lab65'), differenceCie94()];
            console.log(JSON.stringify(input.map(([p, q]) => formulas.map((f) => f(colour(p), colour(q))))));
            JS, $pairs);
        self::assertIsArray($theirs);
        self::assertCount(400, $theirs);
        self::assertEqualsWithDelta($theirs, $ours, 1e-9);
    }

    public function test_the_perfect_diffuser_is_exactly_white_under_every_light(): void
    {
        foreach (Illuminant::cases() as $light) {
            $xyz = SpectralSum::under($light)->xyz(Reflectance::flat(1.0));
            self::assertEqualsWithDelta([100.0, 0.0, 0.0], $xyz->toLab()->toArray(), 1e-12);
            self::assertEqualsWithDelta([1.0, 1.0, 1.0], $xyz->toSrgb()->toArray(), 1e-9);
        }
    }

    /** LHTSS, S. A. Burns (2019): strictly between 0 and 1, back to sRGB within 1e-6. */
    public function test_a_spectrum_recovered_from_srgb_goes_back_to_it(): void
    {
        $random = new Randomizer(new Mt19937(5));
        // The last five made a plain Newton's method fail.
        $colours = ['#000000', '#ffffff', '#ff0000', '#00ff00', '#0000ff', '#fffffe', '#3b0802', '#26041d', '#490218', '#0a0235', '#010001'];
        for ($i = 0; $i < 400; $i++) {
            $colours[] = sprintf('#%06x', $random->getInt(0, 0xFFFFFF));
        }
        foreach ($colours as $hex) {
            $asked = Srgb::hex($hex);
            $spectrum = SpectralRecovery::of($asked->toXyz());
            self::assertGreaterThan(0.0, min([...$spectrum->values, 1.0]), $hex);
            self::assertLessThan(1.0, max([...$spectrum->values, 0.0]), $hex);
            $back = SpectralSum::under(Illuminant::D65)->xyz($spectrum)->toSrgb();
            self::assertEqualsWithDelta($asked->toArray(), $back->toArray(), 1e-6, $hex);
        }
    }

    public function test_colours_that_no_surface_has_are_refused(): void
    {
        $this->expectException(InvalidSpectrum::class);
        SpectralRecovery::of(Xyz::of(1.0, 60.0, 2.0));
    }

    public function test_gamut_mapping_keeps_lightness_and_hue_and_says_that_it_mapped(): void
    {
        foreach ([Lch::of(60, 130, 140), Lch::of(30, 90, 300), Lch::of(85, 120, 80)] as $lch) {
            $mapped = GamutMapping::toSrgb($lch->toLab());
            $shown = $mapped->shown->toXyz()->toLab()->toLch();
            self::assertTrue($mapped->wasOutside);
            self::assertTrue($mapped->shown->isInGamut());
            self::assertEqualsWithDelta($lch->lightness, $shown->lightness, 0.01);
            self::assertEqualsWithDelta($lch->hue, $shown->hue, 0.1);
        }
        $inside = GamutMapping::toSrgb(Lab::of(50, 10, 10));
        self::assertFalse($inside->wasOutside);
    }

    public function test_conversions_go_round(): void
    {
        $random = new Randomizer(new Mt19937(2));
        for ($i = 0; $i < 200; $i++) {
            $lab = Lab::of($random->getInt(1, 99), $random->getInt(-80, 80), $random->getInt(-80, 80));
            self::assertEqualsWithDelta($lab->toArray(), $lab->toLch()->toLab()->toArray(), 1e-10);
            self::assertEqualsWithDelta($lab->toArray(), $lab->toXyz()->toSrgb()->toXyz()->toLab()->toArray(), 1e-8);
            $there = $lab->toXyz()->adaptedTo(Illuminant::A);
            self::assertEqualsWithDelta($lab->toXyz()->toArray(), $there->adaptedTo(Illuminant::D65)->toArray(), 1e-9);
        }
    }

    public function test_bad_input_is_refused_with_what_and_where(): void
    {
        $said = [];
        $tries = [
            static fn () => Reflectance::parse([0.5]),
            static fn () => Reflectance::parse([...array_fill(0, 35, 0.5), 1.5]),
            static fn () => Reflectance::parse([...array_fill(0, 35, 0.5), 'x']),
            static fn () => Bands::parse('no', 'K', 0, INF),
            static fn () => Lab::of(NAN, 0, 0),
            static fn () => Lch::of(50, -1, 0),
            static fn () => Srgb::hex("#12345g\n"),
            static fn () => DifferenceFormula::Ciede2000->between(Lab::of(50, 0, 0), Lab::of(50, 0, 0, Illuminant::A)),
        ];
        foreach ($tries as $try) {
            try {
                $try();
                self::fail('nothing was refused');
            } catch (InvalidColour|InvalidSpectrum $e) {
                $said[] = $e->getMessage();
            }
        }
        self::assertSame('reflectance must have 36 numbers, 380 to 730 nm by 10 nm; 1 found', $said[0]);
        self::assertSame('reflectance at 730 nm is 1.5; it must be finite and from 0 to 1', $said[1]);
        self::assertSame('reflectance at 730 nm is not a number', $said[2]);
        self::assertStringContainsString('D65 and A cannot be compared', $said[7]);
    }
}

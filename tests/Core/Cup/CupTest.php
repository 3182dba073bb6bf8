<?php

declare(strict_types=1);

namespace Tests\Core\Cup;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Cup\Cup;
use Hyalin\Cup\HueDrift;
use Hyalin\Cup\InvalidCup;
use Hyalin\Cup\Ramp;
use Hyalin\Cup\RampStep;
use Hyalin\Cup\Steering;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\Volume;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\InventedShelf;

final class CupTest extends TestCase
{
    public function test_using_takes_of_everything_in_proportion_and_topping_up_gives_the_true_ratio(): void
    {
        $cup = Cup::empty()->adding('ochre', 0.15)->adding('white', 0.05);
        $half = $cup->using(0.1);
        self::assertEqualsWithDelta(['ochre' => 0.075, 'white' => 0.025], $half->volumes, 1e-12);
        self::assertEqualsWithDelta($cup->shares(), $half->shares(), 1e-12);
        // Half of 3 + 1 is left, one drop of white is added: 1.5 + 1.5.
        $topped = $half->adding('white', 0.05);
        self::assertEqualsWithDelta(['ochre' => 0.5, 'white' => 0.5], $topped->shares(), 1e-12);
        self::assertEquals(['ochre' => 1, 'white' => 1], $topped->nearestRecipe()->drops);
        self::assertSame([], $topped->using($topped->total())->volumes);
    }

    public function test_volume_is_conserved_whatever_is_done(): void
    {
        $random = new Randomizer(new Mt19937(8));
        for ($n = 0; $n < 100; $n++) {
            $cup = Cup::empty();
            $balance = 0.0;
            for ($act = 0; $act < 30; $act++) {
                if ($random->getInt(0, 3) > 0 || $cup->total() < 0.1) {
                    $volume = $random->getInt(1, 400) / 1000;
                    $cup = $cup->adding('p'.$random->getInt(1, 5), $volume);
                    $balance += $volume;
                } else {
                    $volume = $cup->total() * $random->getInt(1, 90) / 100;
                    $before = $cup->shares();
                    $cup = $cup->using($volume);
                    $balance -= $volume;
                    self::assertEqualsWithDelta($before, $cup->shares(), 1e-9);
                }
                self::assertEqualsWithDelta($balance, $cup->total(), 1e-9);
                $recipe = $cup->nearestRecipe(12);
                self::assertLessThanOrEqual(12, $recipe->total());
                // Largest remainders: no share is off by a whole drop.
                self::assertLessThan(1.0, $recipe->error * 1);
            }
        }
    }

    public function test_a_whole_drop_recipe_is_found_again_exactly(): void
    {
        foreach ([[3, 1], [5, 4, 3], [11, 1], [1], [7, 2, 2, 1]] as $drops) {
            $cup = Cup::empty();
            foreach ($drops as $i => $count) {
                $cup = $cup->adding("p{$i}", $count * 0.0437);
            }
            $recipe = $cup->nearestRecipe(12);
            self::assertSame($drops, array_values($recipe->drops));
            self::assertEqualsWithDelta(0.0, $recipe->error, 1e-9);
            self::assertSame([], $recipe->leftOut);
        }
        self::assertSame(['p' => 1], Cup::empty()->adding('p', 0.3)->adding('q', 0.2)->nearestRecipe(1)->drops);
        $tiny = Cup::empty()->adding('white', 1.0)->adding('black', 0.005)->nearestRecipe(12);
        self::assertSame(['white' => 1], $tiny->drops);
        self::assertSame(['black'], $tiny->leftOut);
        self::assertEqualsWithDelta(0.005 / 1.005, $tiny->error, 1e-9);
    }

    public function test_thinner_weakens_a_film_and_leaves_the_hue_of_the_mass(): void
    {
        $paints = ['p' => (new InventedShelf(5))->paints(1)[0]];
        $neat = Cup::empty()->adding('p', 1.0);
        $thin = $neat->adding(Cup::THINNER, 3.0);
        self::assertEqualsWithDelta($neat->optics($paints)->scaled(0.25)->k, $thin->optics($paints)->k, 1e-12);
        self::assertEqualsWithDelta($neat->optics($paints)->masstone()->values, $thin->optics($paints)->masstone()->values, 1e-12);
    }

    public function test_a_cup_is_steered_to_what_it_can_reach(): void
    {
        $shelf = $this->shelf();
        $wanted = Cup::empty()->adding('p0', 0.5)->adding('p3', 0.15)->adding('p5', 0.1);
        $target = SpectralSum::under(Illuminant::D65)->xyz($wanted->optics($shelf)->masstone())->toLab();
        $steering = new Steering($shelf, $target, Surface::none());
        // Short of three drops of p3 and two of p5.
        $addition = $steering->of(Cup::empty()->adding('p0', 0.5));
        self::assertLessThan(0.6, $addition->difference);
        self::assertLessThanOrEqual(12, array_sum($addition->drops));
        // Right already: nothing is added, whatever a lucky drop might still gain.
        self::assertSame([], $steering->of($wanted)->drops);
        self::assertEqualsWithDelta(0.0, $steering->of($wanted)->difference, 1e-9);
    }

    public function test_a_cup_too_full_is_told_how_much_has_to_go(): void
    {
        $shelf = $this->shelf();
        $target = SpectralSum::under(Illuminant::D65)->xyz($shelf['p3']->masstone())->toLab();
        $full = Cup::empty()->adding('p6', 6.0)->adding('p3', 0.5);
        $steering = new Steering($shelf, $target, Surface::none(), 8);
        $stuck = $steering->of($full);
        $room = $steering->withRoom($full);
        self::assertGreaterThan(1.0, $stuck->difference);
        self::assertGreaterThan(3.0, $room->removed);
        self::assertLessThan($stuck->difference, $room->difference);
    }

    public function test_a_ramp_grows_from_one_cup_in_even_steps(): void
    {
        // A mid blue-grey, a white, a black, a yellow: a painter's four pots.
        $shelf = [];
        foreach (['mid' => '#5f7f97', 'white' => '#f4f3ee', 'black' => '#1b1b1d', 'yellow' => '#b9a46a', 'blue' => '#2f5d9a'] as $key => $hex) {
            $shelf[$key] = PaintEstimate::fromColour(Srgb::hex($hex), Opacity::TwoCoats, TintingStrength::Usual);
        }
        $base = Cup::empty()->adding('mid', 0.3);
        $mid = SpectralSum::under(Illuminant::D65)->xyz($shelf['mid']->masstone())->toLab();
        foreach ([8.0, 12.0] as $contrast) {
            $ramp = Ramp::around($shelf, $base, $contrast, 2, HueDrift::Straight, Surface::none());
            self::assertSame([-2, -1, 1, 2], array_column($ramp, 'step'));
            foreach ($ramp as $step) {
                // Even in lightness, to within half a step; and the cup is the one before with drops added.
                self::assertEqualsWithDelta($mid->lightness + $step->step * $contrast, $step->lab->lightness, $contrast / 2);
                self::assertGreaterThanOrEqual(0.3 - 1e-9, $step->cup->volumes['mid']);
                self::assertNotSame([], $step->added);
            }
            self::assertEqualsWithDelta(
                $ramp[2]->cup->total() + array_sum($ramp[3]->added) * Volume::DROP,
                $ramp[3]->cup->total(),
                1e-12,
            );
            $lightness = array_map(static fn (RampStep $s): float => $s->lab->lightness, $ramp);
            $sorted = $lightness;
            sort($sorted);
            self::assertSame($sorted, $lightness);
        }
        $warm = Ramp::around($shelf, $base, 10.0, 3, HueDrift::WarmLight, Surface::none());
        $cool = Ramp::around($shelf, $base, 10.0, 3, HueDrift::CoolLight, Surface::none());
        $b = [0.0, 0.0];
        foreach ([$warm, $cool] as $n => $ramp) {
            foreach ($ramp as $step) {
                $b[$n] += $step->step * $step->wanted->b;
            }
        }
        self::assertGreaterThan($b[1], $b[0]);
        // Nothing to lighten with: that side ends.
        $dark = Ramp::around(['mid' => $shelf['mid'], 'black' => $shelf['black']], $base, 10.0, 2, HueDrift::Straight, Surface::none());
        self::assertSame([], array_filter($dark, static fn (RampStep $s): bool => $s->step > 0));
    }

    public function test_hues_drift_towards_the_sun_and_away_from_it(): void
    {
        foreach ([10.0, 85.0, 95.0, 200.0, 300.0] as $hue) {
            self::assertSame($hue, HueDrift::Straight->turned($hue, 2));
            $far = static fn (float $h): float => abs(fmod($h - 90.0 + 540.0, 360.0) - 180.0);
            self::assertLessThanOrEqual($far($hue), $far(HueDrift::WarmLight->turned($hue, 2)));
            self::assertGreaterThanOrEqual($far($hue), $far(HueDrift::WarmLight->turned($hue, -2)));
            self::assertLessThanOrEqual(12.0 + 1e-9, abs(fmod(HueDrift::WarmLight->turned($hue, 2) - $hue + 540.0, 360.0) - 180.0));
        }
    }

    /** Six degrees a step, by hand, and never past the hue that is drifted to. */
    public function test_the_hue_drifts_six_degrees_a_step(): void
    {
        foreach ([[10.0, 1, 16.0], [10.0, 2, 22.0], [85.0, 1, 90.0], [95.0, 1, 90.0], [100.0, 1, 94.0], [10.0, -1, 4.0], [2.0, -1, 356.0], [272.0, -1, 270.0]] as [$hue, $steps, $turned]) {
            self::assertEqualsWithDelta($turned, HueDrift::WarmLight->turned($hue, $steps), 1e-9);
            self::assertEqualsWithDelta($turned, HueDrift::CoolLight->turned($hue, -$steps), 1e-9);
        }
    }

    /** The chroma that a ramp asks for falls evenly from that of the base to two fifths of it at white and at black. */
    public function test_a_ramp_asks_for_less_chroma_towards_white_and_black(): void
    {
        $shelf = [];
        foreach (['mid' => '#3f7f47', 'white' => '#f4f3ee', 'black' => '#1b1b1d'] as $key => $hex) {
            $shelf[$key] = PaintEstimate::fromColour(Srgb::hex($hex), Opacity::TwoCoats, TintingStrength::Usual);
        }
        $mid = SpectralSum::under(Illuminant::D65)->xyz($shelf['mid']->masstone())->toLab()->toLch();
        $ramp = Ramp::around($shelf, Cup::empty()->adding('mid', 0.3), 9.0, 3, HueDrift::Straight, Surface::none());
        self::assertGreaterThan(4, count($ramp));
        foreach ($ramp as $step) {
            $wanted = $step->wanted->toLch();
            self::assertEqualsWithDelta($mid->lightness + 9.0 * $step->step, $wanted->lightness, 1e-9);
            $room = $step->step > 0 ? (100 - $wanted->lightness) / (100 - $mid->lightness) : $wanted->lightness / $mid->lightness;
            self::assertEqualsWithDelta($mid->chroma * (0.4 + 0.6 * $room), $wanted->chroma, 1e-6);
        }
    }

    /** Where every pot may be anybody's partner, the best of all single pots and pairs is found: each is tried here, as a painter would. */
    public function test_steering_finds_the_best_of_all_that_may_be_added(): void
    {
        $all = $this->shelf();
        $sum = SpectralSum::under(Illuminant::D65);
        $random = new Randomizer(new Mt19937(31));
        for ($round = 0; $round < 12; $round++) {
            $shelf = array_intersect_key($all, array_flip(array_slice($random->shuffleArray(array_keys($all)), 0, 4)));
            $keys = array_keys($shelf);
            $most = $random->getInt(3, 6);
            $cup = Cup::empty()->adding($keys[0], 0.05 * $random->getInt(2, 8));
            $aim = $cup->adding($keys[1], 0.05 * $random->getInt(1, 4))->adding($keys[2], 0.05 * $random->getInt(1, 3));
            $target = $sum->xyz($aim->optics($shelf)->masstone())->toLab();
            $far = static fn (Cup $c): float => DifferenceFormula::Ciede2000->between($target, $sum->xyz($c->optics($shelf)->masstone())->toLab());
            // A further pot is worth 0.30, a further drop 0.02.
            $best = $far($cup);
            foreach ($keys as $i => $one) {
                for ($a = 1; $a <= $most; $a++) {
                    $with = $cup->adding($one, $a * 0.05);
                    $best = min($best, $far($with) + 0.02 * $a);
                    foreach (array_slice($keys, $i + 1) as $two) {
                        for ($b = 1; $a + $b <= $most; $b++) {
                            $best = min($best, $far($with->adding($two, $b * 0.05)) + 0.02 * ($a + $b) + 0.3);
                        }
                    }
                }
            }
            $found = (new Steering($shelf, $target, Surface::none(), $most))->of($cup);
            $drops = array_sum($found->drops);
            self::assertEqualsWithDelta($best, $found->difference + 0.02 * $drops + ($drops > 0 ? 0.3 * (count($found->drops) - 1) : 0.0), 1e-9);
            self::assertSame(0.0, $found->removed);
            self::assertLessThanOrEqual($most, $drops);
        }
    }

    /** Every count up to six is tried, then wider ones: each is found where it is the right one. */
    public function test_single_pots_are_tried_in_these_counts(): void
    {
        $shelf = array_intersect_key($this->shelf(), ['p0' => true, 'p3' => true]);
        foreach ([1, 2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 30, 40, 60] as $drops) {
            $cup = Cup::empty()->adding('p0', $drops * Volume::DROP);
            $target = SpectralSum::under(Illuminant::D65)->xyz($cup->adding('p3', $drops * Volume::DROP)->optics($shelf)->masstone())->toLab();
            self::assertSame(['p3' => $drops], (new Steering($shelf, $target, Surface::none(), 60))->of($cup)->drops);
            // With fewer allowed, fewer it is.
            self::assertLessThan($drops, array_sum((new Steering($shelf, $target, Surface::none(), $drops - 1))->of($cup)->drops));
        }
    }

    /** Half of a cup is taken out, or three quarters, and only where that brings it nearer by 0.3 at least. */
    public function test_no_more_is_taken_out_than_helps(): void
    {
        $shelf = $this->shelf();
        $random = new Randomizer(new Mt19937(12));
        $seen = [];
        for ($n = 0; $n < 25; $n++) {
            $cup = Cup::empty()->adding('p'.$random->getInt(0, 7), $random->getInt(1, 20) / 20)->adding('p'.$random->getInt(0, 7), $random->getInt(1, 8) / 20);
            $aim = $cup->adding('p'.$random->getInt(0, 7), $random->getInt(1, 24) / 20);
            $steering = new Steering($shelf, SpectralSum::under(Illuminant::D65)->xyz($aim->optics($shelf)->masstone())->toLab(), Surface::none(), 6);
            [$stuck, $room] = [$steering->of($cup), $steering->withRoom($cup)];
            $half = $steering->of($cup->using(0.5 * $cup->total()));
            $quarter = $steering->of($cup->using(0.75 * $cup->total()));
            $best = $stuck->difference > 1.0 && $half->difference < $stuck->difference - 0.3 ? $half : $stuck;
            $share = $best === $half ? 0.5 : 0.0;
            if ($best->difference > 1.0 && $quarter->difference < $best->difference - 0.3) {
                [$best, $share] = [$quarter, 0.75];
            }
            self::assertEqualsWithDelta([$share * $cup->total(), $best->difference], [$room->removed, $room->difference], 1e-9);
            $seen[(string) $share] = true;
        }
        self::assertCount(3, $seen);
    }

    public function test_impossible_acts_are_refused(): void
    {
        $cup = Cup::empty()->adding('p', 0.2);
        foreach ([
            'a volume of 0 mL' => static fn () => $cup->adding('p', 0.0),
            'a volume of -1 mL' => static fn () => $cup->using(-1.0),
            '0.30 mL cannot be taken out of a cup that holds 0.20 mL' => static fn () => $cup->using(0.3),
            'the cup is empty' => static fn () => Cup::empty()->nearestRecipe(),
            'there is no paint for the ingredient "p"' => static fn () => $cup->optics([]),
        ] as $words => $act) {
            try {
                $act();
                self::fail($words);
            } catch (InvalidCup $e) {
                self::assertStringContainsString($words, $e->getMessage());
            }
        }
    }

    /** @return array<string, PaintOptics> */
    private function shelf(): array
    {
        $shelf = [];
        foreach ((new InventedShelf(5))->paints(8) as $i => $paint) {
            $shelf["p{$i}"] = $paint;
        }

        return $shelf;
    }
}

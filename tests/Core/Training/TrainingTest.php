<?php

declare(strict_types=1);

namespace Tests\Core\Training;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Cup\InvalidCup;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Hyalin\Training\Fold;
use Hyalin\Training\InvalidTask;
use Hyalin\Training\MixGuess;
use Hyalin\Training\RankOrder;
use Hyalin\Training\Shades;
use Hyalin\Training\Staircase;
use Hyalin\Training\WashGuess;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TrainingTest extends TestCase
{
    /** Two down, one up stays where 70.7 % are right: Levitt 1971, table I. */
    public function test_the_staircase_finds_what_an_observer_tells_at_seven_of_ten(): void
    {
        $random = new Randomizer(new Mt19937(3));
        foreach ([1.5, 4.0, 9.0] as $threshold) {
            $stairs = new Staircase(14.0, 0.5, 40.0, 0.9);
            $answers = [];
            $late = 0.0;
            for ($n = 0; $n < 400; $n++) {
                $level = $stairs->next($answers);
                // An observer who tells a difference x with a chance of 1 - 0.5 exp(-(x/threshold) ln 1.708): 70.7 % at the threshold.
                $chance = 1 - 0.5 * exp(-$level / $threshold * log(0.5 / 0.293));
                $answers[] = $random->getInt(0, 1_000_000) < 1_000_000 * $chance;
                $late += $n >= 100 ? log($level) / 300 : 0.0;
            }
            self::assertEqualsWithDelta(0.0, log($threshold) - $late, 0.3);
        }
        self::assertSame(0.5, (new Staircase(1.0, 0.5, 4.0))->next(array_fill(0, 40, true)));
        self::assertSame(4.0, (new Staircase(1.0, 0.5, 4.0))->next(array_fill(0, 40, false)));
    }

    /** Kendall's coefficient is twice the share of right pairs less one; of 2 1 4 3 two of six pairs are wrong: 1/3. */
    public function test_an_order_is_judged_by_its_pairs(): void
    {
        self::assertSame(1.0, RankOrder::score([1.0, 2.0, 2.0, 3.0]));
        self::assertSame(0.0, RankOrder::score([3.0, 2.0, 1.0]));
        self::assertEqualsWithDelta(1 / 3, 2 * RankOrder::score([2.0, 1.0, 4.0, 3.0]) - 1, 1e-12);
    }

    public function test_colours_are_as_far_apart_as_is_asked(): void
    {
        $random = new Randomizer(new Mt19937(5));
        $colours = array_map(static fn (int $n): Lab => Lab::of(5 + 2.2 * $n, 30 * sin($n), 30 * cos($n)), range(0, 40));
        foreach ([2.0, 8.0, 20.0] as $apart) {
            [$i, $j] = Shades::pair($colours, $apart, $random);
            self::assertEqualsWithDelta($apart, abs($colours[$i]->lightness - $colours[$j]->lightness), 1.3);
            $several = Shades::several($colours, 4, $apart, $random);
            self::assertCount(4, array_unique($several));
            $lightness = array_map(static fn (int $p): float => $colours[$p]->lightness, $several);
            sort($lightness);
            self::assertEqualsWithDelta(min(88.0, 3 * $apart), $lightness[3] - $lightness[0], 2.3);
        }
        $this->expectException(InvalidTask::class);
        Shades::pair([$colours[0], $colours[0]], 5.0, $random);
    }

    public function test_the_cup_of_the_exercise_behaves_as_the_pots_do(): void
    {
        $paint = static fn (string $hex): \Hyalin\Optics\PaintOptics => PaintEstimate::fromColour(Srgb::hex($hex), Opacity::TwoCoats, TintingStrength::Usual);
        $guess = new MixGuess(['red' => $paint('#a03020'), 'white' => $paint('#f2f0ea'), 'blue' => $paint('#2050a0')], Surface::of(Sheen::Matt));
        $random = new Randomizer(new Mt19937(9));
        for ($n = 3; $n <= 12; $n++) {
            $mix = $guess->drawn($n, $random);
            self::assertSame([$n, 3], [array_sum($mix), count(array_filter($mix, static fn (int $d): bool => $d > 0))]);
            $added = array_merge(...array_map(static fn (string $key, int $d): array => array_fill(0, $d, $key), array_keys($mix), $mix));
            $trail = $guess->trail($added, $guess->colour($mix));
            // The last drop of the true mix is on it; twice of everything is the same colour.
            self::assertCount($n, $trail);
            self::assertEqualsWithDelta(0.0, $trail[$n - 1], 1e-6);
            self::assertEqualsWithDelta($guess->colour($mix)->toArray(), $guess->colour(array_map(static fn (int $d): int => 2 * $d, $mix))->toArray(), 1e-9);
        }
        self::assertSame([1.0, 0.5], [MixGuess::score(0.0), MixGuess::score(4.0)]);
        $this->expectException(InvalidCup::class);
        $guess->colour(['red' => 0]);
    }

    /** Against the horizon of every piece in its profile, found by walking along it. */
    public function test_light_lands_where_the_horizon_lets_it(): void
    {
        foreach ([3, 17, 44] as $seed) {
            $fold = Fold::of($seed);
            $light = $fold->light();
            self::assertCount(Fold::PIECES, $light);
            $step = 24.0 / (count($fold->heights) - 1);
            foreach ($light as $piece => $found) {
                // The mean over the piece of what each place of it sees of a cap of 30 degrees, by the cosine.
                $seen = [];
                for ($i = 6 * $piece + 1; $i < 6 * $piece + 6; $i++) {
                    $left = $right = -9.0;
                    foreach ($fold->heights as $j => $height) {
                        $slope = $j === $i ? -9.0 : ($height - $fold->heights[$i]) / (abs($j - $i) * $step);
                        [$left, $right] = $j < $i ? [max($left, $slope), $right] : [$left, max($right, $slope)];
                    }
                    $tilt = atan(($fold->heights[$i + 1] - $fold->heights[$i - 1]) / (2 * $step));
                    [$from, $to] = [max(-M_PI / 6, atan($left) - M_PI / 2), min(M_PI / 6, M_PI / 2 - atan($right))];
                    $seen[] = max(0.0, sin($to + $tilt) - sin($from + $tilt)) / (2 * sin(M_PI / 6));
                }
                self::assertEqualsWithDelta(array_sum($seen) / count($seen), $found, 0.06, "fold {$seed}, piece {$piece}");
            }
            self::assertGreaterThan(2, count(Fold::lit($light)));
            self::assertSame([1.0, 0.5], [Fold::score(Fold::lit($light), $light), Fold::score(array_keys($light), $light)]);
        }
    }

    public function test_a_wash_is_told_from_what_it_does_not_do(): void
    {
        $guess = new WashGuess(
            PaintEstimate::fromColour(Srgb::hex('#c9b27a'), Opacity::TwoCoats, TintingStrength::Usual),
            PaintEstimate::fromColour(Srgb::hex('#2a2420'), Opacity::Wash, TintingStrength::Usual),
        );
        $before = $guess->before();
        [$true, $flat, $often] = $guess->after();
        // It darkens, most where it stands; four times more; as a film it is alike everywhere.
        self::assertLessThan($before[0]->lightness - 3, $true[0]->lightness);
        self::assertGreaterThan($true[0]->lightness, $true[4]->lightness);
        self::assertLessThan($true[0]->lightness, $often[0]->lightness);
        self::assertLessThan($true[4]->lightness - $true[0]->lightness, $flat[4]->lightness - $flat[0]->lightness);
    }
}

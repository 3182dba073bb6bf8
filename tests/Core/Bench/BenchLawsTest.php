<?php

declare(strict_types=1);

namespace Tests\Core\Bench;

use Eris\Generators;
use Eris\TestTrait;
use Hyalin\Bench\Batch;
use Hyalin\Bench\BatchMode;
use Hyalin\Bench\DryingAid;
use Hyalin\Bench\InvalidQuantity;
use Hyalin\Bench\LearnedUse;
use Hyalin\Cautions\Cautions;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Cup\HueDrift;
use Hyalin\Finish\MeshSuggestions;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\TestCase;

/**
 * Laws of the arithmetic at the bench: what may be assumed of any input.
 */
final class BenchLawsTest extends TestCase
{
    use TestTrait;

    /** Law: together is never slower than one after the other, and the difference is what is saved. */
    public function test_a_batch_saves_what_it_says_and_never_loses(): void
    {
        $minutes = Generators::choose(0, 90);
        $steps = Generators::seq(Generators::tuple($minutes, $minutes, Generators::choose(0, 600)));
        $this->limitTo(80)->forAll($steps, Generators::choose(1, 30))->then(static function (array $drawn, int $figures): void {
            /** @var list<array{int, int, int}> $drawn */
            $steps = array_values(array_map(static fn (array $s): array => [(float) $s[0], (float) $s[1], (float) $s[2]], $drawn));
            $batch = Batch::of($steps, $figures);
            self::assertLessThanOrEqual($batch->figureByFigure + 1e-9, $batch->stepByStep);
            self::assertEqualsWithDelta($batch->figureByFigure - $batch->stepByStep, $batch->setUpSaved + $batch->waitSaved, 1e-9);
            self::assertGreaterThanOrEqual(array_sum(array_map(static fn (array $s): float => $s[0] + $figures * $s[1], $steps)) - 1e-9, $batch->stepByStep, 'the hands-on work stays');
            if ($figures === 1) {
                self::assertSame(BatchMode::FigureByFigure, $batch->quicker());
            }
        });
        $this->expectException(InvalidQuantity::class);
        Batch::of([], 0);
    }

    /** Worked by hand: 4 figures; 10 min set-up, 20 min each, 30 min drying; then 5, 10. Together 10 + 80 + 0 + 5 + 40. */
    public function test_a_batch_worked_by_hand(): void
    {
        $batch = Batch::of([[10.0, 20.0, 30.0], [5.0, 10.0, 15.0]], 4);
        self::assertSame([135.0, 300.0, 45.0, 120.0], [$batch->stepByStep, $batch->figureByFigure, $batch->setUpSaved, $batch->waitSaved]);
        self::assertSame(BatchMode::StepByStep, $batch->quicker());
    }

    /** Law: a factor lies between its limits, moves towards what was used, and one spilt cup does not outweigh many runs. */
    public function test_what_is_learned_of_use_is_bounded_and_moves_the_right_way(): void
    {
        $this->limitTo(80)->forAll(Generators::seq(Generators::choose(1, 2000)))->then(static function (array $used): void {
            /** @var list<int> $used */
            $runs = array_values(array_map(static fn (int $u): array => [1.0, $u / 100], $used));
            $factor = LearnedUse::factor($runs);
            self::assertGreaterThanOrEqual(0.25, $factor);
            self::assertLessThanOrEqual(4.0, $factor);
            self::assertGreaterThanOrEqual($factor - 1e-12, LearnedUse::factor([...$runs, [1.0, 4.0]]));
            self::assertLessThanOrEqual($factor + 1e-12, LearnedUse::factor([...$runs, [1.0, 0.25]]));
            // What was not estimated tells nothing.
            self::assertSame($factor, LearnedUse::factor([...$runs, [0.0, 3.0], [1.0, -1.0]]));
        });
        self::assertSame(1.0, LearnedUse::factor([]));
        // The default counts as two runs: 2 x 1 and 1.6 make (2 + 1.6) / 3.
        self::assertEqualsWithDelta(1.2, LearnedUse::factor([[1.0, 1.6]]), 1e-12);
    }

    /** Common practice: air helps water and solvent to leave, and neither oil, nor enamel, nor what cures. */
    public function test_air_helps_what_dries_and_nothing_that_cures(): void
    {
        $this->limitTo(60)->forAll(Generators::choose(0, 20_000))->then(static function (int $usual): void {
            foreach ([...Chemistry::cases(), null] as $chemistry) {
                $still = DryingAid::None->minutes($usual, $chemistry);
                $moving = DryingAid::MovingAir->minutes($usual, $chemistry);
                $warm = DryingAid::WarmAir->minutes($usual, $chemistry);
                self::assertSame($usual, $still);
                self::assertLessThanOrEqual($still, $moving);
                self::assertLessThanOrEqual($moving, $warm);
                if (! in_array($chemistry, [Chemistry::Acrylic, Chemistry::Lacquer], true)) {
                    self::assertSame($usual, $warm);
                }
            }
            // No heat near solvent.
            self::assertSame(DryingAid::MovingAir->minutes($usual, Chemistry::Lacquer), DryingAid::WarmAir->minutes($usual, Chemistry::Lacquer));
        });
    }

    /** Law: a drift goes towards its goal, never past it, and back by as many steps the other way. */
    public function test_a_hue_never_drifts_past_its_goal(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(0, 359), Generators::choose(-8, 8))->then(static function (int $hue, int $steps): void {
            self::assertEqualsWithDelta($hue, HueDrift::Straight->turned((float) $hue, $steps), 1e-12);
            foreach ([HueDrift::WarmLight, HueDrift::CoolLight] as $drift) {
                $goal = ($steps > 0) === ($drift === HueDrift::WarmLight) ? 90.0 : 270.0;
                $turned = $drift->turned((float) $hue, $steps);
                self::assertGreaterThanOrEqual(0.0, $turned);
                self::assertLessThan(360.0 + 1e-9, $turned);
                if ($steps !== 0) {
                    self::assertLessThanOrEqual(self::apart((float) $hue, $goal) + 1e-9, self::apart($turned, $goal));
                    self::assertLessThanOrEqual(6.0 * abs($steps) + 1e-9, self::apart($turned, (float) $hue));
                }
            }
        });
    }

    /** Every kind of work names its hazards, and only those. */
    public function test_each_kind_of_step_has_its_own_cautions(): void
    {
        $expected = [
            'prepare' => ['dust', 'blades', 'resin'],
            'fill' => ['resin', 'lamp'],
            'glue' => ['glue'],
            'prime' => ['spray'],
            'spray' => ['spray'],
            'varnish' => ['spray'],
        ];
        foreach (StepKind::cases() as $kind) {
            $step = new Step(StepId::layer('x'), $kind, 'x', [], ['p'], [], 5, 5);
            self::assertSame($expected[$kind->value] ?? [], array_keys(Cautions::at($step, PrintProcess::Resin)), $kind->value);
            $plastic = array_keys(Cautions::at($step, PrintProcess::MeltedPlastic));
            self::assertSame($kind === StepKind::Prepare ? ['dust', 'blades'] : ($expected[$kind->value] ?? []), $plastic, $kind->value);
        }
    }

    /** What the light on a mesh means is said where it matters, and nowhere else. */
    public function test_light_on_a_mesh_is_turned_into_words_only_where_it_matters(): void
    {
        $grey = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt))->of(Reflectance::flat(0.3), []);
        $white = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt))->of(Reflectance::flat(0.7), []);
        $shares = [0.1, 0.2, 0.4, 0.2, 0.1];
        self::assertSame([], MeshSuggestions::of(0.05, 0.6, $shares, $grey, $grey));
        self::assertSame(['30 % of it cannot be seen: that can stay primed.'], MeshSuggestions::of(0.3, 0.6, $shares, $grey, null));
        self::assertStringContainsString('Spray hardly reaches it', MeshSuggestions::of(0.0, 0.1, $shares, $grey, null)[0]);
        self::assertStringContainsString('stays dark', MeshSuggestions::of(0.0, 0.2, [0.3, 0.4, 0.3, 0.0, 0.0], $grey, null)[0]);
        $dark = MeshSuggestions::of(0.0, 0.1, $shares, $grey, $white);
        self::assertCount(1, $dark);
        // By hand (Saunderson): 0.014 + 0.384 x 0.3 / (1 - 0.6 x 0.3) = 0.1545, L* 46; the same of 0.7 is 0.4774, L* 75.
        self::assertStringStartsWith('The spray leaves its mid dark: about L* 46 where the plan wants 75.', $dark[0]);
        self::assertNull(MeshSuggestions::apart('Wing', 0.05, [0.0, 0.0, 1.0]));
        self::assertStringContainsString('what is -y in the file is up', (string) MeshSuggestions::apart('Wing', 0.4, [0.0, -1.0, 0.0]));
        self::assertStringContainsString('about x (30 degrees off it)', (string) MeshSuggestions::apart('Wing', 0.4, [cos(deg2rad(30)), 0.0, sin(deg2rad(30))]));
    }

    private static function apart(float $a, float $b): float
    {
        $way = abs(fmod($a - $b + 540.0, 360.0) - 180.0);

        return min($way, 360.0 - $way);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Bench;

use Hyalin\Bench\Batch;
use Hyalin\Bench\BatchMode;
use Hyalin\Bench\InvalidQuantity;
use Hyalin\Bench\LearnedUse;
use Hyalin\Bench\Quantity;
use Hyalin\Finish\Consumption;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Pot\DropCount;
use Hyalin\Pot\Volume;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class QuantityTest extends TestCase
{
    public function test_a_film_has_the_volume_of_its_area_and_thickness(): void
    {
        // Definition: 100 cm2 under 40 micrometres are 0.4 mL, eight drops of 0.05 mL.
        $need = Quantity::of(100.0, 40.0, 1.0, 1, 1);
        self::assertEqualsWithDelta(0.4, $need->paintMillilitres(), 1e-12);
        self::assertSame([8], $need->drops([1]));
        // A quarter reaches the piece: four times as much leaves the cup; and the cup keeps four drops.
        $sprayed = Quantity::of(100.0, 40.0, 0.25, 1, 1, 4.0);
        self::assertEqualsWithDelta(1.6 + 0.2, $sprayed->mixedMillilitres(), 1e-12);
        // Half of a mix of one part paint and one part thinner is paint.
        self::assertEqualsWithDelta(0.9, Quantity::of(100.0, 40.0, 0.25, 1, 1, 4.0, 1.0)->paintMillilitres(), 1e-12);
    }

    public function test_drops_stay_in_their_ratio_and_are_enough(): void
    {
        for ($cm2 = 1.0; $cm2 < 400.0; $cm2 *= 1.7) {
            foreach ([[3, 1], [1], [5, 4, 2]] as $recipe) {
                $need = Quantity::of($cm2, 40.0, 0.8, 2, 3, 1.0, 0.5);
                $drops = $need->drops($recipe);
                self::assertGreaterThanOrEqual($need->paintMillilitres() - 1e-9, array_sum($drops) * Volume::DROP);
                self::assertLessThan($need->paintMillilitres() + array_sum($recipe) * Volume::DROP + 1e-9, array_sum($drops) * Volume::DROP);
                foreach ($recipe as $n => $count) {
                    // Every pot has its share of the recipe, within a tenth of it.
                    self::assertEqualsWithDelta(1.0, ($drops[$n] ?? 0) * array_sum($recipe) / ($count * array_sum($drops)), 0.1 + 1e-9);
                }
            }
        }
    }

    /** By hand: 9 + 4 + 2 in 7 drops are 4 + 2 + 1, each within a tenth of its share; an eye needs no cup of 15. */
    public function test_the_smallest_cup_that_can_be_measured(): void
    {
        self::assertSame([4, 2, 1], Quantity::of(0.05, 40.0, 0.8, 1, 1, 1.0)->drops([9, 4, 2]));
        self::assertSame([2, 1], Quantity::of(0.05, 40.0, 0.8, 1, 1, 1.0)->drops([20, 10]));
        self::assertSame([18, 1], Quantity::of(0.05, 40.0, 0.8, 1, 1, 1.0)->drops([19, 1]));
        // A share that cannot be counted out ends at a cup of the most drops that are tried.
        self::assertSame(1, Quantity::of(0.05, 40.0, 0.8, 1, 1, 1.0)->drops([999, 0.001])[1]);
        // One pot from a dropper of half the size: twice the drops, the same share of the volume.
        self::assertSame([6, 1], DropCount::of([3, 1], [0.025, 0.05], 0.2));
    }

    public function test_more_figures_coats_and_area_take_more_and_the_rest_in_the_cup_is_kept_once(): void
    {
        $one = Quantity::of(6.0, 40.0, 0.4, 1, 1, 4.0);
        $six = Quantity::of(6.0, 40.0, 0.4, 1, 6, 4.0);
        // Two figures at once are two layers from one cup.
        self::assertEquals(Quantity::of(6.0, 40.0, 0.4, 1, 2, 4.0), $one->and($one));
        self::assertEqualsWithDelta(6 * $one->millilitres, $six->millilitres, 1e-12);
        self::assertSame($one->keptMillilitres, $six->keptMillilitres);
        self::assertGreaterThan($one->millilitres, Quantity::of(6.0, 40.0, 0.4, 2, 1)->millilitres);
        self::assertEqualsWithDelta(1.5 * $one->millilitres, Quantity::of(6.0, 40.0, 0.4, 1, 1, 4.0, 0.0, 1.5)->millilitres, 1e-12);
    }

    public function test_a_dry_brush_lays_little_and_wastes_nearly_all_of_what_it_takes(): void
    {
        $dry = Consumption::of(Technique::DryBrush, Zone::cases());
        $coat = Consumption::of(Technique::BaseCoat, Zone::cases());
        self::assertEqualsWithDelta(Consumption::REFERENCE_MICROMETRES, $coat->wetMicrometres, 1e-9);
        self::assertLessThan(0.4 * $coat->wetMicrometres, $dry->wetMicrometres);
        self::assertLessThan(0.1, $dry->efficiency);
        foreach (Technique::cases() as $technique) {
            $use = Consumption::of($technique, $technique->spec()->usualZones);
            self::assertGreaterThan(0.0, $use->wetMicrometres, $technique->value);
            self::assertGreaterThan(0.0, $use->efficiency);
            self::assertLessThanOrEqual(1.0, $use->efficiency);
        }
        self::assertEqualsWithDelta(1.0, array_sum(array_map(static fn (Zone $z): float => $z->usualShare(), Zone::cases())), 1e-12);
    }

    public function test_shares_measured_on_a_mesh_outrank_the_usual_ones(): void
    {
        $edges = static fn (float $share): float => Consumption::of(Technique::EdgeHighlight, [Zone::Edge], [0.0, 0.0, 1.0 - $share, 0.0, $share])->wetMicrometres;
        self::assertEqualsWithDelta(2 * $edges(0.1), $edges(0.2), 1e-12);
        self::assertSame(0.0, $edges(0.0));
        self::assertEqualsWithDelta($edges(Zone::Edge->usualShare()), Consumption::of(Technique::EdgeHighlight, [Zone::Edge])->wetMicrometres, 1e-12);
    }

    public function test_past_runs_move_the_reckoning_by_and_by(): void
    {
        self::assertSame(1.0, LearnedUse::factor([]));
        self::assertEqualsWithDelta(4 / 3, LearnedUse::factor([[1.0, 2.0]]), 1e-12);
        $many = LearnedUse::factor(array_fill(0, 50, [1.0, 2.0]));
        self::assertEqualsWithDelta(2.0, $many, 0.05);
        self::assertLessThan(2.0, $many);
        // A spilt cup counts as four times at most, and what was never estimated not at all.
        self::assertEqualsWithDelta(2.0, LearnedUse::factor([[1.0, 500.0]]), 1e-12);
        self::assertSame(1.0, LearnedUse::factor([[0.0, 3.0]]));
    }

    public function test_a_batch_is_quicker_step_by_step_when_there_is_much_to_set_up_or_to_wait_for(): void
    {
        // Six sentries, worked by hand: 5 min to mix, 4 to paint, 30 to dry, twice.
        $batch = Batch::of([[5.0, 4.0, 30.0], [5.0, 4.0, 30.0]], 6);
        self::assertSame(5 + 24 + 10 + 5 + 24.0, $batch->stepByStep);
        self::assertSame(6 * (5 + 4 + 30 + 5 + 4.0), $batch->figureByFigure);
        self::assertSame(BatchMode::StepByStep, $batch->quicker());
        self::assertSame(50.0, $batch->setUpSaved);
        self::assertSame(170.0, $batch->waitSaved);
        // All that is saved is set-up and waiting.
        self::assertSame($batch->figureByFigure - $batch->stepByStep, $batch->setUpSaved + $batch->waitSaved);
        $alone = Batch::of([[5.0, 4.0, 30.0]], 1);
        self::assertSame($alone->stepByStep, $alone->figureByFigure);
        self::assertSame(BatchMode::FigureByFigure, $alone->quicker());
    }

    /** @param  callable(): mixed  $ask */
    #[DataProvider('impossible')]
    public function test_what_cannot_be_reckoned_is_refused(callable $ask, string $words): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage($words);
        $ask();
    }

    /** @return iterable<string, array{callable(): mixed, string}> */
    public static function impossible(): iterable
    {
        yield 'no area' => [static fn (): Quantity => Quantity::of(0.0, 40.0, 1.0, 1, 1), 'an area is 0 cm2'];
        yield 'an area that is no number' => [static fn (): Quantity => Quantity::of(NAN, 40.0, 1.0, 1, 1), 'an area is'];
        yield 'more than all reaches the piece' => [static fn (): Quantity => Quantity::of(1.0, 40.0, 1.2, 1, 1), 'at most 1'];
        yield 'no figure' => [static fn (): Quantity => Quantity::of(1.0, 40.0, 1.0, 1, 0), 'on 0 figures'];
        yield 'a batch of none' => [static fn (): Batch => Batch::of([[1.0, 1.0, 1.0]], 0), 'on 0 figures'];
    }

    /** Two layers out of one cup: both take paint, and what stays in cup and brush stays once, that of the layer which keeps more. */
    public function test_what_a_cup_keeps_it_keeps_once(): void
    {
        [$brushed, $sprayed] = [Quantity::of(100.0, 40.0, 1.0, 1, 1, 2.0), Quantity::of(100.0, 40.0, 0.5, 1, 1, 8.0)];
        foreach ([$brushed->and($sprayed), $sprayed->and($brushed)] as $both) {
            // 0.4 + 0.8 mL on the piece and past it, and eight drops of 0.05 mL.
            self::assertEqualsWithDelta(1.2 + 0.4, $both->mixedMillilitres(), 1e-12);
        }
    }
}

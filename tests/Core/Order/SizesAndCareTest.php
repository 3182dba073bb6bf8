<?php

declare(strict_types=1);

namespace Tests\Core\Order;

use Eris\Generators;
use Eris\TestTrait;
use Hyalin\Order\Checks\Issue;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\Steps\SandingSequence;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\Circumstances;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\FigureSurface;
use Hyalin\Plan\JointPlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\Meeting;
use Hyalin\Plan\OwnStepPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PieceUse;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Sizes nobody measured, what stands beside what, own steps, adhesion and care.
 */
final class SizesAndCareTest extends TestCase
{
    use TestTrait;

    /**
     * D. Du Bois and E. F. Du Bois 1916: 0.007184 x 75^0.425 x 175^0.725 = 1.90 m2, by hand; half as much again for clothes, at
     * a scale of 75 mm to 1.75 m: 1.90 x 1.5 x (7.5 / 175)^2 m2 = 52 cm2.
     */
    public function test_a_figure_has_the_surface_of_its_height(): void
    {
        $skin = 0.007184 * 75 ** 0.425 * 175 ** 0.725;
        self::assertEqualsWithDelta(1.90, $skin, 0.01);
        self::assertEqualsWithDelta($skin * 1.5 * (7.5 / 175) ** 2 * 1e4, FigureSurface::cm2(75.0), 0.5);
        self::assertEqualsWithDelta(4 * FigureSurface::cm2(75.0), FigureSurface::cm2(150.0), 1e-9);
        self::assertSame(FigureSurface::cm2(FigureSurface::USUAL_HEIGHT), FigureSurface::cm2(null));
    }

    /** Laws: what is measured stays, nothing is nothing, and a taller figure has no smaller areas. */
    public function test_what_nobody_measured_shares_what_is_left(): void
    {
        $this->forAll(Generators::choose(10, 400), Generators::seq(Generators::tuple(Generators::choose(0, 30), Generators::bool())))->then(function (int $height, array $areas): void {
            /** @var list<array{int, bool}> $areas */
            $asked = array_map(static fn (array $a): array => [$a[0] === 0 ? null : (float) $a[0], $a[1]], $areas);
            $sizes = FigureSurface::shared((float) $height, $asked);
            $taller = FigureSurface::shared(2.0 * $height, $asked);
            self::assertCount(count($asked), $sizes);
            foreach ($sizes as $n => $size) {
                self::assertGreaterThan(0.0, $size);
                self::assertGreaterThanOrEqual($size, $taller[$n]);
                self::assertTrue($asked[$n][0] === null || $size === $asked[$n][0]);
            }
        });
        [$eye, $cloak] = FigureSurface::shared(75.0, [[null, true], [null, false]]);
        self::assertEqualsWithDelta(0.05, $eye, 0.01);
        self::assertGreaterThan(40.0, $cloak);
    }

    public function test_what_stands_beside_what(): void
    {
        $areas = [self::area('a', 5.0), self::area('b', 20.0), self::area('c', 5.0), self::area('sign', 1.0, liesOn: 'b'), self::area('arm', 4.0, part: 'q')];
        $parts = [new PartPlan('p', 'P', PrintProcess::Resin), new PartPlan('q', 'Q', PrintProcess::Resin)];
        $figure = FigurePlan::of($parts, $areas, [new JointPlan('p', 'q')], [new BoundaryPlan('a', 'b', 50.0, false), new BoundaryPlan('b', 'c', 0.0)]);
        $around = static fn (string $id): array => array_map(static fn (Meeting $m): array => [$m->other->id, round($m->mm, 1), $m->isEstimated, $m->touches, $m->glue !== null], $figure->neighbourhood()->around($id));
        // Stated; stated as apart; the sign has no border of its own, so it is estimated; the arm only when joined.
        self::assertSame([['a', 50.0, false, true, false], ['c', 0.0, false, false, false], ['sign', 35.4, true, true, false], ['arm', 0.0, true, false, true]], $around('b'));
        self::assertSame(['sign'], $figure->neighbourhood()->unstated);
        // 2 sqrt(pi) cm around 1 cm2, by hand; shared by the two areas it may meet besides the one it lies on.
        self::assertEqualsWithDelta(35.45 / 2, $figure->neighbourhood()->around('sign')[0]->mm, 0.01);
        // Each pair once.
        $pairs = array_map(static fn (array $p): string => "{$p[0]->id} {$p[1]->id}", $figure->neighbourhood()->pairs($figure));
        self::assertSame(array_unique($pairs), $pairs);
        self::assertContains('a b', $pairs);
        self::assertNotContains('b c', $pairs);
    }

    public function test_a_ladder_begins_and_ends_where_it_is_said(): void
    {
        $usual = SandingSequence::of(PrintProcess::MeltedPlastic, false);
        self::assertSame($usual, $usual->between(null, null, null));
        $short = $usual->between(120, 320, 2);
        self::assertSame([[120], [180, 220, 320], 2], [$short->shaping, $short->finishing, $short->primers]);
        // Resin is not sanded, unless the painter says so.
        $resin = SandingSequence::of(PrintProcess::Resin, false);
        self::assertFalse($resin->makesDust());
        self::assertSame([[], [400, 800]], [$resin->between(400, 800, null)->shaping, $resin->between(400, 800, null)->finishing]);
        self::assertTrue($resin->between(400, 800, null)->makesDust());
    }

    public function test_a_step_of_ones_own_goes_between_what_was_said(): void
    {
        $own = [new OwnStepPlan('k', 'Bend the wire', 'p', 'pliers', 5, 0, 'It springs back', StepId::layer('l1'), StepId::layer('l2')), new OwnStepPlan('g', 'Gone', null, null, 1, 0, null, StepId::layer('nothing'))];
        $figure = FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], [self::area('a', 5.0, [self::layer('l1', StepKind::Brush), self::layer('l2', StepKind::Brush)])], ownSteps: $own);
        $steps = OrderPlanner::plan($figure)->steps;
        $ids = array_map(static fn (Step $s): string => (string) $s->id, $steps);
        self::assertSame(['layer l1', 'own k', 'layer l2'], array_values(array_intersect($ids, ['layer l1', 'own k', 'layer l2'])));
        self::assertContains('own g', $ids, 'what it waits for does not exist: it may come at any time');
        $bend = $steps[(int) array_search('own k', $ids, true)];
        self::assertSame(['pliers', 'It springs back', 5], [$bend->tool(), $bend->caution, $bend->minutes]);
        self::assertEquals(StepId::own('k'), StepId::parse('own k'));
    }

    /** @param  list<LayerPlan>  $layers */
    #[DataProvider('adhesion')]
    public function test_what_adheres_badly_is_told(array $layers, ?string $message): void
    {
        $plan = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], [self::area('a', 5.0, $layers)]));
        $said = implode("\n", array_map(static fn (Issue $i): string => "{$i->what} {$i->remedy}", $plan->issues));
        $found = array_filter(['adheres badly to gloss', 'no wet paint beneath it', 'lacquer varnish attacks'], static fn (string $w): bool => str_contains($said, $w));
        self::assertSame($message === null ? [] : [$message], array_values($found));
        self::assertTrue($plan->canBePainted());
    }

    /** @return iterable<string, array{list<LayerPlan>, string|null}> */
    public static function adhesion(): iterable
    {
        $base = self::layer('b', StepKind::Brush);
        $gloss = self::layer('g', StepKind::Varnish, sheen: 'gloss');
        yield 'a second primer over gloss' => [[$base, $gloss, self::layer('u', StepKind::Prime)], 'adheres badly to gloss'];
        yield 'a wash over gloss is meant so' => [[$base, $gloss, self::layer('w', StepKind::Wash)], null];
        yield 'over matt' => [[$base, self::layer('m', StepKind::Varnish, sheen: 'matt'), self::layer('u', StepKind::Prime)], null];
        yield 'a wet blend into wet paint' => [[$base, self::layer('x', StepKind::Brush, blends: true)], null];
        yield 'a wet blend into a primer' => [[self::layer('u', StepKind::Prime), self::layer('x', StepKind::Brush, blends: true)], 'no wet paint beneath it'];
        yield 'lacquer varnish over acrylic' => [[$base, self::layer('v', StepKind::Varnish, sheen: 'matt', chemistry: Chemistry::Lacquer)], 'lacquer varnish attacks'];
    }

    public function test_a_joint_may_be_glued_when_both_parts_are_finished(): void
    {
        $areas = [self::area('a', 5.0, [self::layer('a1', StepKind::Brush)]), self::area('arm', 4.0, [self::layer('b1', StepKind::Brush)], part: 'q')];
        $parts = [new PartPlan('p', 'P', PrintProcess::Resin), new PartPlan('q', 'Q', PrintProcess::Resin)];
        $last = static fn (bool $isLast): string => (string) array_reverse(OrderPlanner::plan(FigurePlan::of($parts, $areas, [new JointPlan('p', 'q', isLast: $isLast)]))->steps)[0]->id;
        self::assertSame('glue p q', $last(true));
        self::assertNotSame('glue p q', $last(false), 'it hides nothing: glued on the bare print');
    }

    public function test_what_no_reference_shows_is_asked_for_once(): void
    {
        $parts = [new PartPlan('p', 'P', PrintProcess::Resin)];
        $asked = static fn (bool $asks, string ...$names): array => array_values(array_filter(
            array_map(static fn (Issue $i): string => $i->what, OrderPlanner::plan(FigurePlan::of($parts, array_map(static fn (string $n): AreaPlan => self::area($n, 1.0), array_values($names)), circumstances: new Circumstances(asksUnseen: $asks)))->issues),
            static fn (string $what): bool => str_starts_with($what, 'No reference shows'),
        ));
        self::assertSame(['No reference shows the inside of Cloak, Left sleeve, nor the back of Hair.'], $asked(true, 'Cloak', 'Left sleeve', 'Hair', 'Belt'));
        self::assertSame(['No reference shows the back of Hair.'], $asked(true, 'Cloak', 'Lining of the cloak', 'Hair'));
        self::assertSame([], $asked(true, 'Belt', 'Chair', 'Boots'));
        self::assertSame([], $asked(false, 'Cloak'));
        // What is hidden has no side to ask for.
        $hidden = new AreaPlan('h', 'Cloak', 'p', 0, 1.0, [], isHidden: true);
        self::assertNotContains('No reference shows the inside of Cloak.', array_map(static fn (Issue $i): string => $i->what, OrderPlanner::plan(FigurePlan::of($parts, [$hidden, self::area('Belt', 1.0)], circumstances: new Circumstances(asksUnseen: true)))->issues));
    }

    public function test_what_it_has_to_stand_is_said_and_stops_nothing(): void
    {
        $areas = [self::area('cloak', 5.0, [self::layer('l', StepKind::Brush)]), self::area('mud', 2.0, [self::layer('d', StepKind::Powder)])];
        foreach (PieceUse::cases() as $use) {
            $plan = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], $areas, circumstances: new Circumstances(uses: [$use])));
            $none = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], $areas));
            self::assertCount(count($none->issues) + 1, $plan->issues, $use->value);
            self::assertSame($none->canBePainted(), $plan->canBePainted());
        }
        $child = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], $areas, circumstances: new Circumstances(uses: [PieceUse::Child])));
        self::assertStringContainsString('leave it out on mud', implode(' ', array_map(static fn (Issue $i): string => (string) $i->remedy, $child->issues)));
    }

    /** @param  list<LayerPlan>  $layers */
    private static function area(string $id, float $cm2, array $layers = [], ?string $liesOn = null, string $part = 'p'): AreaPlan
    {
        return new AreaPlan($id, $id, $part, 0, $cm2, $layers, $liesOn);
    }

    private static function layer(string $key, StepKind $kind, ?string $sheen = null, bool $blends = false, Chemistry $chemistry = Chemistry::Acrylic): LayerPlan
    {
        return new LayerPlan($key, $kind, $key, $kind === StepKind::Powder ? Chemistry::Powder : $chemistry, 10, 30, 1440, 'water', sheen: $sheen, blendsWet: $blends);
    }
}

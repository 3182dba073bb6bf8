<?php

declare(strict_types=1);

namespace Tests\Core\Order;

use Hyalin\Order\Alterable;
use Hyalin\Order\ContradictingRules;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\Rules\LastThings;
use Hyalin\Order\WorkSteps;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\Circumstances;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\JointPlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What a spray reaches, and what that costs. Scenarios are common practice, minutes own estimates; that no order is
 * cheaper is checked against all of them.
 */
final class MasksTest extends TestCase
{
    public function test_a_can_reaches_everything_on_its_part_and_finds_the_finished_greys(): void
    {
        $figure = self::figure([
            self::area('grey', 6.0, [self::layer('g', StepKind::Prime), self::layer('g1', StepKind::Brush, covers: true), self::layer('g2', StepKind::DryBrush)]),
            self::area('white', 9.0, [self::layer('w', StepKind::Prime, can: true)]),
            self::area('far', 2.0, [self::layer('f', StepKind::Brush, covers: true)]),
        ], [new BoundaryPlan('grey', 'white', 50.0, false), new BoundaryPlan('far', 'grey', 10.0, false)]);
        $own = OrderPlanner::judge($figure, ['prepare p', 'layer g', 'layer g1', 'layer g2', 'layer f', 'layer w']);
        self::assertSame(['grey', 'far'], $own->masks[0]->protects);
        self::assertSame(50.0, $own->masks[0]->borderMm());
        self::assertEqualsWithDelta(50 * 0.04 + (6.0 + 2.0) * 0.15, $own->maskMinutes(), 1e-9);
        // Nothing stands against spraying first, so nothing is masked.
        $plan = OrderPlanner::plan($figure);
        self::assertSame([], $plan->masks);
        // An airbrush does not reach what it does not meet.
        $brush = self::figure([...array_slice($figure->areas, 0, 1), self::area('white', 9.0, [self::layer('w', StepKind::Prime)]), $figure->areas[2]], $figure->boundaries);
        self::assertSame(['grey'], OrderPlanner::judge($brush, ['prepare p', 'layer g', 'layer g1', 'layer g2', 'layer f', 'layer w'])->masks[0]->protects);
    }

    public function test_the_same_primer_over_itself_needs_no_mask_and_another_does(): void
    {
        $figure = static fn (string $mix): FigurePlan => self::figure(
            [self::area('a', 5.0, [self::layer('a1', StepKind::Prime, mix: 'black')]), self::area('b', 5.0, [self::layer('b1', StepKind::Prime, mix: $mix)])],
            [new BoundaryPlan('a', 'b', 40.0)],
        );
        self::assertSame([], OrderPlanner::plan($figure('black'))->masks);
        self::assertCount(1, OrderPlanner::plan($figure('white'))->masks);
    }

    /** A round area of 5 cm2 has an outline of 2 sqrt(5 pi) cm = 79.27 mm, by hand. */
    public function test_a_border_nobody_stated_is_estimated_and_said(): void
    {
        $areas = [self::area('a', 5.0, [self::layer('a1', StepKind::Spray)]), self::area('b', 20.0, [self::layer('b1', StepKind::Spray)])];
        $plan = OrderPlanner::plan(self::figure($areas));
        self::assertEqualsWithDelta(79.27, $plan->masks[0]->estimatedMm, 0.01);
        self::assertSame($plan->maskMm(), $plan->estimatedMm());
        self::assertStringContainsString('border of a, b is not stated', $plan->issues[count($plan->issues) - 1]->what);
        // Stated as none: nothing to mask, and nothing to ask.
        $apart = OrderPlanner::plan(self::figure($areas, [new BoundaryPlan('a', 'b', 0.0)]));
        self::assertSame([0.0, []], [$apart->estimatedMm(), $apart->masks]);
    }

    public function test_what_stands_beside_it_only_when_joined_is_masked_only_then(): void
    {
        $areas = [self::area('body', 9.0, [self::layer('b1', StepKind::Spray, can: true)]), new AreaPlan('arm', 'arm', 'q', 0, 4.0, [self::layer('a1', StepKind::Brush)])];
        $figure = FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin), new PartPlan('q', 'Q', PrintProcess::Resin)], $areas, [new JointPlan('p', 'q', ['body'])]);
        $order = ['prepare p', 'prepare q', 'layer a1', 'layer b1', 'glue p q'];
        self::assertSame([], OrderPlanner::judge($figure, $order)->masks);
        self::assertSame(['arm'], OrderPlanner::judge($figure, ['prepare p', 'prepare q', 'layer a1', 'glue p q', 'layer b1'])->masks[0]->protects);
    }

    public function test_a_mask_is_held_over_coats_that_follow_each_other_and_not_over_a_sitting(): void
    {
        $areas = [
            self::area('i', 5.0, [self::layer('i1', StepKind::Spray)]),
            self::area('o', 5.0, [self::layer('o1', StepKind::Spray), self::layer('o2', StepKind::Spray), self::layer('o3', StepKind::Brush)]),
        ];
        $order = ['prepare p', 'layer i1', 'layer o1', 'layer o2', 'layer o3'];
        $held = OrderPlanner::judge(self::figure($areas, [new BoundaryPlan('i', 'o', 60.0)]), $order);
        self::assertCount(1, $held->masks);
        self::assertSame(['layer o1', 'layer o2'], [(string) $held->masks[0]->step, (string) $held->masks[0]->until]);
        self::assertEqualsWithDelta(60 * 0.08 + 5 * 0.15, $held->maskMinutes(), 1e-9);
        // 10 + 30 (drying) + 10 minutes do not fit into a sitting of 45.
        $short = FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], $areas, [], [new BoundaryPlan('i', 'o', 60.0)], circumstances: new Circumstances(sittingMinutes: 45));
        self::assertCount(2, OrderPlanner::judge($short, $order)->masks);
    }

    /** Putting a mask on and taking it off together last as long as the mask is said to cost, in whole minutes of each. */
    public function test_steps_of_a_mask_last_as_long_as_the_mask(): void
    {
        for ($mm = 5.0; $mm < 400.0; $mm += 13.7) {
            $figure = self::figure([self::area('i', 5.0, [self::layer('i1', StepKind::Spray)]), self::area('o', 5.0, [self::layer('o1', StepKind::Spray)])], [new BoundaryPlan('i', 'o', $mm)]);
            $order = OrderPlanner::judge($figure, ['prepare p', 'layer i1', 'layer o1']);
            $minutes = 0;
            foreach (WorkSteps::of($figure, $order) as $step) {
                $minutes += in_array($step->kind, [StepKind::Mask, StepKind::Peel], true) ? $step->minutes : 0;
            }
            self::assertGreaterThanOrEqual($order->maskMinutes(), $minutes, "{$mm} mm");
            self::assertLessThan($order->maskMinutes() + 2, $minutes, "{$mm} mm");
        }
    }

    /** Own estimate: ten minutes a part of resin and six seconds a cm2; printed by melting a quarter of an hour, and 24 seconds a cm2. */
    public function test_a_part_is_prepared_by_its_size_and_material(): void
    {
        foreach ([[PrintProcess::Resin, 20.0, 12], [PrintProcess::Resin, 5.0, 11], [PrintProcess::MeltedPlastic, 20.0, 23]] as [$process, $cm2, $minutes]) {
            $figure = FigurePlan::of([new PartPlan('p', 'P', $process)], [self::area('a', $cm2, [self::layer('a1', StepKind::Brush)])]);
            self::assertSame($minutes, OrderPlanner::plan($figure)->steps[0]->minutes);
        }
    }

    /** Matt varnish would dull gloss that is there to stay, not gloss that gets its own matt coat. */
    public function test_only_the_last_gloss_of_an_area_waits_for_matt_varnish(): void
    {
        $matt = self::area('a', 5.0, [self::layer('a1', StepKind::Brush), self::layer('a2', StepKind::Varnish, sheen: 'matt')]);
        foreach ([[true, []], [false, [self::layer('b3', StepKind::Varnish, sheen: 'matt')]]] as [$waits, $after]) {
            $figure = self::figure([$matt, self::area('b', 5.0, [self::layer('b1', StepKind::Brush), self::layer('b2', StepKind::Varnish, sheen: 'gloss'), ...$after])]);
            $rules = array_map(static fn (Constraint $c): string => "{$c->rule}: {$c->before}, {$c->after}", [...(new LastThings)->constraints($figure, OrderPlanner::plan($figure)->steps)]);
            self::assertSame($waits, in_array('matt before gloss: layer a2, layer b2', $rules, true));
        }
    }

    public function test_what_an_order_of_ones_own_leaves_out_is_not_lost(): void
    {
        $figure = self::figure([self::area('a', 5.0, [self::layer('a1', StepKind::Brush), self::layer('a2', StepKind::Brush)]), self::area('b', 5.0, [self::layer('b1', StepKind::Brush)])]);
        self::assertSame(['prepare p', 'layer b1', 'layer a1', 'layer a2'], array_map(static fn (Step $s): string => (string) $s->id, OrderPlanner::judge($figure, ['prepare p', 'layer b1'])->steps));
    }

    public function test_bare_areas_are_kept_bare_and_flakes_are_sealed_before_the_tape(): void
    {
        $lens = new AreaPlan('lens', 'Lens', 'p', 0, 1.0, [], isLeftBare: true);
        $plan = OrderPlanner::plan(self::figure([$lens, self::area('rim', 5.0, [self::layer('r', StepKind::Spray)])], [new BoundaryPlan('lens', 'rim', 20.0)]));
        self::assertSame(['lens'], $plan->masks[0]->protects);
        self::assertNull($plan->masks[0]->after);
        $metal = [
            self::area('brass', 5.0, [self::layer('m1', StepKind::Spray, flake: true), self::layer('m2', StepKind::Varnish)]),
            self::area('cloth', 5.0, [self::layer('c1', StepKind::Spray)]),
        ];
        // The painter wants the metal first: then its varnish lies beneath the tape.
        $own = [Constraint::must(StepId::layer('m1'), StepId::layer('c1'), 'own rule', 'x')];
        $figure = FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], $metal, [], [new BoundaryPlan('brass', 'cloth', 20.0, false)], [], $own);
        $ids = array_map(static fn (Step $s): string => (string) $s->id, OrderPlanner::plan($figure)->steps);
        self::assertSame(['prepare p', 'layer m1', 'layer m2', 'layer c1'], $ids);
    }

    /** Up to six sprays among eight steps: every order that keeps the hard rules is tried. */
    public function test_no_order_at_all_is_cheaper(): void
    {
        $sprayed = 0;
        for ($seed = 1; $seed <= 12; $seed++) {
            $figure = self::random($seed, 3, 7);
            $plan = OrderPlanner::plan($figure);
            $ids = array_map(static fn (Step $s): string => (string) $s->id, $plan->steps);
            $sprayed = max($sprayed, count(array_filter($plan->steps, static fn (Step $s): bool => $s->kind === StepKind::Spray)));
            foreach (self::orders($ids, $plan->constraints) as $order) {
                self::assertGreaterThanOrEqual($plan->cost() - 1e-6, OrderPlanner::judge($figure, $order)->cost(), "seed {$seed}: ".implode(', ', $order));
            }
        }
        self::assertGreaterThanOrEqual(5, $sprayed);
    }

    /** What is called least is not beaten by moving one step. */
    public function test_no_single_move_makes_a_plan_cheaper(): void
    {
        foreach ([21, 22, 23] as $seed) {
            $figure = self::random($seed, 6, 20);
            $plan = OrderPlanner::plan($figure);
            $ids = array_map(static fn (Step $s): string => (string) $s->id, $plan->steps);
            foreach ($ids as $from => $id) {
                for ($to = 0; $to < count($ids); $to++) {
                    $moved = array_values(array_diff($ids, [$id]));
                    array_splice($moved, $to, 0, [$id]);
                    $judged = OrderPlanner::judge($figure, $moved);
                    $isPossible = array_filter($judged->broken, static fn (Constraint $c): bool => $c->isMust()) === [];
                    self::assertTrue(! $isPossible || $judged->cost() >= $plan->cost() - 1e-6, "seed {$seed}: {$id} from {$from} to {$to}");
                }
            }
        }
    }

    public function test_what_runs_in_a_circle_is_said_with_its_areas_and_the_ways_out(): void
    {
        $own = [Constraint::must(StepId::layer('k'), StepId::layer('c'), 'own rule', 'I like it so')];
        $areas = [self::area('coat', 5.0, [self::layer('c', StepKind::Brush)]), new AreaPlan('badge', 'badge', 'p', 0, 1.0, [self::layer('k', StepKind::Brush)], liesOn: 'coat')];
        try {
            OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], $areas, own: $own));
            self::fail('it runs in a circle');
        } catch (ContradictingRules $e) {
            self::assertSame('these rules contradict each other: "coat: c" before "badge: k" before "coat: c". A way out: remove your own rule "I like it so"', $e->getMessage());
            self::assertSame([Alterable::OwnRule, Alterable::LiesOn], array_map(static fn ($w): Alterable => $w->what, $e->waysOut));
            self::assertSame('badge', $e->waysOut[1]->subject);
        }
        // Gloss beneath decals and matt over them, on two areas of one part, is no circle.
        $stack = static fn (string $n): AreaPlan => self::area($n, 5.0, [self::layer("{$n}1", StepKind::Varnish, sheen: 'gloss'), self::layer("{$n}2", StepKind::Decal), self::layer("{$n}3", StepKind::Varnish, sheen: 'matt')]);
        self::assertCount(7, OrderPlanner::plan(self::figure([$stack('a'), $stack('b')]))->steps);
    }

    private static function random(int $seed, int $areas, int $layers): FigurePlan
    {
        $random = new Randomizer(new Mt19937($seed));
        $plans = $borders = [];
        $stacks = array_fill(0, $areas, []);
        for ($n = 0; $n < $layers; $n++) {
            $area = $n < $areas ? $n : $random->getInt(0, $areas - 1);
            $kind = $random->getInt(0, 9) < 7 ? StepKind::Spray : StepKind::Brush;
            $stacks[$area][] = self::layer("l{$n}", $kind, covers: $random->getInt(0, 3) === 0, can: $random->getInt(0, 5) === 0);
        }
        for ($a = 0; $a < $areas; $a++) {
            $plans[] = self::area("a{$a}", (float) $random->getInt(1, 60), $stacks[$a], $random->getInt(0, 2));
            for ($b = 0; $b < $a; $b++) {
                if ($random->getInt(0, 3) > 0) {
                    $borders[] = new BoundaryPlan("a{$a}", "a{$b}", (float) $random->getInt(5, 120), $random->getInt(0, 1) === 1);
                }
            }
        }

        return self::figure($plans, $borders);
    }

    /**
     * @param  list<string>  $open
     * @param  list<Constraint>  $constraints
     * @param  list<string>  $placed
     * @return iterable<list<string>>
     */
    private static function orders(array $open, array $constraints, array $placed = []): iterable
    {
        if ($open === []) {
            yield $placed;

            return;
        }
        foreach ($open as $id) {
            foreach ($constraints as $c) {
                if ($c->isMust() && (string) $c->after === $id && in_array((string) $c->before, $open, true)) {
                    continue 2;
                }
            }
            yield from self::orders(array_values(array_diff($open, [$id])), $constraints, [...$placed, $id]);
        }
    }

    /**
     * @param  list<AreaPlan>  $areas
     * @param  list<BoundaryPlan>  $borders
     */
    private static function figure(array $areas, array $borders = []): FigurePlan
    {
        return FigurePlan::of([new PartPlan('p', 'P', PrintProcess::Resin)], $areas, [], $borders);
    }

    /** @param  list<LayerPlan>  $layers */
    private static function area(string $id, float $cm2, array $layers, int $depth = 0): AreaPlan
    {
        return new AreaPlan($id, $id, 'p', $depth, $cm2, $layers);
    }

    private static function layer(string $key, StepKind $kind, bool $covers = false, bool $can = false, bool $flake = false, ?string $sheen = null, ?string $mix = null): LayerPlan
    {
        return new LayerPlan($key, $kind, $key, Chemistry::Acrylic, 10, 30, 1440, 'water', isFlake: $flake, sheen: $sheen, covers: $covers, isFromCan: $can, mix: $mix);
    }
}

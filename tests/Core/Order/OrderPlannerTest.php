<?php

declare(strict_types=1);

namespace Tests\Core\Order;

use Hyalin\Cautions\Cautions;
use Hyalin\Order\Checks\Issue;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\PlannedOrder;
use Hyalin\Order\Steps\SandingSequence;
use Hyalin\Plan\Approach;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\Circumstances;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\InvalidPlan;
use Hyalin\Plan\JointPlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Scenarios of the trade: common practice, no published source, but for the grits.
 */
final class OrderPlannerTest extends TestCase
{
    public function test_every_step_is_there_once_and_every_must_is_kept(): void
    {
        $plan = OrderPlanner::plan(self::keeper());
        $ids = array_map(static fn (Step $s): string => (string) $s->id, $plan->steps);
        self::assertSame(array_unique($ids), $ids);
        // 3 parts, 2 joints, one prime for all, and the own layers of four areas.
        self::assertCount(3 + 2 + 1 + 9, $ids);
        self::assertSame([], array_filter($plan->broken, static fn (Constraint $c): bool => $c->isMust()));
        self::assertTrue($plan->canBePainted());
        foreach ($plan->constraints as $constraint) {
            self::assertNotSame('', $constraint->reason);
        }
    }

    public function test_preparation_comes_first_and_the_base_last(): void
    {
        $plan = OrderPlanner::plan(self::keeper());
        self::assertBefore($plan, 'prepare body', 'layer prime');
        self::assertSame('glue body rock', (string) $plan->steps[count($plan->steps) - 1]->id);
        // The head hides nothing: it is glued before the prime.
        self::assertBefore($plan, 'glue body head', 'layer prime');
        // Glued to its base first, as the other approach has it.
        self::assertBefore(OrderPlanner::plan(self::keeper([Approach::BaseTogether])), 'glue body rock', 'layer prime');
    }

    public function test_what_is_attached_goes_on_after_preparation_and_before_paint(): void
    {
        $plan = OrderPlanner::plan(FigurePlan::of(
            [new PartPlan('p', 'Hand', PrintProcess::Resin, isFiddly: true, attachments: 'a 3 mm magnet')],
            [self::area('x', 'Skin', 'p', 0, [self::layer('u', StepKind::Prime), self::layer('s', StepKind::Brush)])],
        ));
        self::assertSame(['prepare p', 'attach p', 'layer u', 'layer s'], array_map(static fn (Step $s): string => (string) $s->id, $plan->steps));
        self::assertStringContainsString('temporary handle', $plan->steps[0]->words);
    }

    public function test_what_a_joint_hides_is_painted_and_varnished_before_it_is_glued(): void
    {
        $figure = FigurePlan::of(
            [new PartPlan('bust', 'Bust', PrintProcess::Resin), new PartPlan('wing', 'Wing', PrintProcess::Resin)],
            [
                self::area('back', 'Back', 'bust', 0, [self::layer('p1', StepKind::Prime), self::layer('b1', StepKind::Brush), self::layer('v1', StepKind::Varnish, sheen: 'matt')]),
                self::area('dust', 'Wing dust', 'wing', 1, [self::layer('p2', StepKind::Prime), self::layer('d1', StepKind::Spray)]),
            ],
            [new JointPlan('bust', 'wing', ['back'])],
        );
        $plan = OrderPlanner::plan($figure);
        self::assertBefore($plan, 'layer v1', 'glue bust wing');
        $why = array_values(array_filter($plan->constraints, static fn (Constraint $c): bool => $c->rule === 'hidden before glue'));
        self::assertStringContainsString('no brush or spray reaches Back', $why[0]->reason);
    }

    public function test_metal_comes_after_the_sprays_beside_it_and_chrome_after_everything(): void
    {
        $areas = [
            self::area('steel', 'Steel', 'bell', 0, [self::layer('s1', StepKind::Spray, flake: true)]),
            self::area('enamel', 'Enamel', 'bell', 1, [self::layer('e1', StepKind::Spray, covers: true), self::layer('e2', StepKind::Varnish, sheen: 'gloss')]),
            self::area('clapper', 'Clapper', 'bell', 2, [self::layer('c1', StepKind::Spray, flake: true, chrome: true)]),
        ];
        $parts = [new PartPlan('bell', 'Bell', PrintProcess::MeltedPlastic)];
        $edges = [new BoundaryPlan('steel', 'enamel', 300.0, false)];
        $plan = OrderPlanner::plan(FigurePlan::of($parts, $areas, [], $edges));
        self::assertBefore($plan, 'layer e1', 'layer s1');
        self::assertSame('layer c1', (string) $plan->steps[count($plan->steps) - 1]->id);
        self::assertStringContainsString('P800', implode(' ', array_map(static fn (Step $s): string => $s->words, $plan->steps)));
        // Done the other way round, the mask and its danger are named.
        $own = OrderPlanner::judge(FigurePlan::of($parts, $areas, [], $edges), ['prepare bell', 'layer s1', 'layer e1', 'layer e2', 'layer c1']);
        self::assertContains('metal last', array_map(static fn (Constraint $c): string => $c->rule, $own->broken));
        self::assertSame(['steel'], $own->masks[0]->protects);
        self::assertStringContainsString('lifts metal flakes', (string) $own->masks[0]->warning);
        self::assertGreaterThan($plan->cost(), $own->cost());
    }

    /** Yellow before the black beside it is masked, or the black wrapped: whichever is cheaper. */
    public function test_the_masks_of_an_order_are_measured_and_the_cheaper_order_found(): void
    {
        $figure = static fn (float $yellow, float $black): FigurePlan => FigurePlan::of(
            [new PartPlan('p', 'Body', PrintProcess::Resin)],
            [self::area('yellow', 'Yellow', 'p', 0, [self::layer('y', StepKind::Spray)], $yellow), self::area('black', 'Black', 'p', 0, [self::layer('b', StepKind::Spray)], $black)],
            [],
            [new BoundaryPlan('yellow', 'black', 100.0, false)],
        );
        self::assertBefore(OrderPlanner::plan($figure(60.0, 5.0)), 'layer b', 'layer y');
        self::assertBefore(OrderPlanner::plan($figure(5.0, 60.0)), 'layer y', 'layer b');
        $plan = OrderPlanner::plan($figure(60.0, 5.0));
        self::assertCount(1, $plan->masks);
        self::assertSame(100.0, $plan->masks[0]->tapeMm);
        self::assertSame('layer b', (string) $plan->masks[0]->after);
        self::assertStringContainsString('tape', $plan->masks[0]->material());
        self::assertEqualsWithDelta(100 * 0.04 + 5 * 0.15, $plan->maskMinutes(), 1e-9);
    }

    public function test_chipping_has_its_fluid_between_the_colour_to_keep_and_the_one_that_chips(): void
    {
        $plan = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Bell', PrintProcess::MeltedPlastic)], [
            self::area(
                'x',
                'Enamel',
                'p',
                0,
                [self::layer('rust', StepKind::Brush), new LayerPlan('paint', StepKind::Brush, 'chipping', Chemistry::Acrylic, 10, 15, 1440, 'water', isOverFluid: true)],
            ),
        ]));
        self::assertCount(1, $plan->masks);
        self::assertSame(['layer rust', 'layer paint', ['x'], 24 * 60], [(string) $plan->masks[0]->after, (string) $plan->masks[0]->step, $plan->masks[0]->protects, $plan->masks[0]->mostMinutes]);
        self::assertSame('masking fluid', $plan->masks[0]->material());
        self::assertStringContainsString('while the coat is soft', $plan->masks[0]->peel);
    }

    #[DataProvider('chemistries')]
    public function test_films_that_attack_each_other_stop_the_plan_with_a_remedy(Chemistry $below, bool $sealed, Chemistry $above, bool $stops, string $words): void
    {
        $layers = [self::layer('p', StepKind::Prime), self::layer('a', StepKind::Brush, chemistry: $below)];
        if ($sealed) {
            $layers[] = self::layer('v', StepKind::Varnish, sheen: 'matt');
        }
        $layers[] = self::layer('b', StepKind::Wash, chemistry: $above);
        $issues = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], [self::area('x', 'Coat', 'p', 0, $layers)]))->issues;
        $said = implode(' ', array_map(static fn (Issue $t): string => "{$t->what} {$t->remedy}", array_filter($issues, static fn (Issue $t): bool => (string) $t->step === 'layer b')));
        self::assertStringContainsString($words, $said);
        self::assertSame($stops, array_filter($issues, static fn (Issue $t): bool => $t->stops && (string) $t->step === 'layer b') !== []);
    }

    /** @return iterable<string, array{Chemistry, bool, Chemistry, bool, string}> */
    public static function chemistries(): iterable
    {
        yield 'oil wash over bare acrylic' => [Chemistry::Acrylic, false, Chemistry::Oil, true, 'Put a varnish between the two'];
        yield 'oil wash behind varnish' => [Chemistry::Acrylic, true, Chemistry::Oil, false, ''];
        yield 'lacquer over enamel' => [Chemistry::Enamel, false, Chemistry::Lacquer, true, 'lacquer thinner attacks the enamel'];
        yield 'acrylic over oil' => [Chemistry::Oil, false, Chemistry::Acrylic, false, 'Wait 7 days'];
        yield 'paint over wax' => [Chemistry::Wax, false, Chemistry::Acrylic, true, 'paint does not hold on wax'];
        yield 'paint over sealed wax' => [Chemistry::Wax, true, Chemistry::Acrylic, false, 'holds only once it is cured'];
        yield 'wax over paint' => [Chemistry::Acrylic, false, Chemistry::Wax, false, ''];
        yield 'wax over oil' => [Chemistry::Oil, false, Chemistry::Wax, false, 'Wait 7 days'];
        yield 'wax over powder' => [Chemistry::Powder, false, Chemistry::Wax, true, 'Put a fixing coat over the powder'];
        yield 'paint over gel' => [Chemistry::Gel, false, Chemistry::Acrylic, false, 'wrinkles until the gel is clear'];
        yield 'gel over oil' => [Chemistry::Oil, false, Chemistry::Gel, false, 'gel over oil cracks'];
        yield 'oil over oil' => [Chemistry::Oil, false, Chemistry::Oil, false, 'Wait 2 days'];
        yield 'acrylic over enamel' => [Chemistry::Enamel, false, Chemistry::Acrylic, false, 'Wait 24 hours'];
        yield 'acrylic over acrylic' => [Chemistry::Acrylic, false, Chemistry::Acrylic, false, ''];
    }

    public function test_gel_goes_on_in_passes_over_the_matt_coat_and_wax_over_the_varnish(): void
    {
        $gel = static fn (string $key): LayerPlan => self::layer($key, StepKind::Varnish, Chemistry::Gel, sheen: 'gloss');
        $mud = [self::layer('p', StepKind::Prime), self::layer('b', StepKind::Brush), $gel('g1'), $gel('g2'), self::layer('matt', StepKind::Varnish, sheen: 'matt')];
        $sword = [self::layer('q', StepKind::Prime), self::layer('steel', StepKind::Brush), self::layer('v', StepKind::Varnish, sheen: 'gloss'), self::layer('wax', StepKind::DryBrush, Chemistry::Wax)];
        $plan = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], [self::area('mud', 'Mud', 'p', 0, $mud), self::area('sword', 'Sword', 'p', 0, $sword)]));
        $said = static fn (string $step): string => implode(' ', array_map(static fn (Issue $t): string => "{$t->what} {$t->remedy}", array_filter($plan->issues, static fn (Issue $t): bool => (string) $t->step === "layer {$step}")));
        self::assertStringContainsString('stays cloudy until the pass beneath is clear', $said('g2'));
        self::assertStringContainsString('clouds the gel beneath', $said('matt'));
        // Wax is made for gloss, and is the end of it.
        self::assertSame('', $said('wax'));
        self::assertStringNotContainsString('Sword ends without a varnish', implode(' ', array_map(static fn (Issue $t): string => $t->what, $plan->issues)));
    }

    public function test_a_forbidden_pair_without_a_varnish_on_the_shelf_says_so(): void
    {
        $layers = [self::layer('p', StepKind::Prime), self::layer('a', StepKind::Brush), self::layer('o', StepKind::Wash, chemistry: Chemistry::Oil)];
        $plan = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], [self::area('x', 'Coat', 'p', 0, $layers)], circumstances: new Circumstances(hasVarnish: false)));
        self::assertFalse($plan->canBePainted());
        self::assertStringContainsString('none on the shelf', (string) $plan->issues[0]->remedy);
    }

    public function test_matt_comes_before_gloss_elsewhere_powders_last_and_decals_on_what_is_finished(): void
    {
        $parts = [new PartPlan('p', 'Head', PrintProcess::Resin)];
        $plan = OrderPlanner::plan(FigurePlan::of($parts, [
            self::area('eyes', 'Eyes', 'p', 0, [self::layer('e1', StepKind::Brush), self::layer('e2', StepKind::Varnish, sheen: 'gloss')]),
            self::area('face', 'Face', 'p', 1, [self::layer('f1', StepKind::Brush), self::layer('f2', StepKind::Varnish, sheen: 'matt')]),
            self::area('mud', 'Mud', 'p', 2, [self::layer('m1', StepKind::Brush), self::layer('m2', StepKind::Powder, chemistry: Chemistry::Powder)]),
            self::area('mark', 'Mark', 'p', 3, [self::layer('k1', StepKind::Decal)], liesOn: 'face'),
        ]));
        self::assertBefore($plan, 'layer f2', 'layer e2');
        self::assertBefore($plan, 'layer f2', 'layer m2');
        self::assertBefore($plan, 'layer f2', 'layer k1');
        self::assertStringContainsString('turns silvery', implode(' ', array_map(static fn (Issue $t): string => $t->what, $plan->issues)));
    }

    public function test_nothing_that_shows_is_left_unpainted_without_a_word(): void
    {
        $plan = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Head', PrintProcess::Resin)], [
            self::area('ear', 'Ear', 'p', 0, []),
            new AreaPlan('neck', 'Neck stump', 'p', 0, 1.0, [], null, true),
            self::area('hair', 'Hair', 'p', 0, [self::layer('h1', StepKind::Brush)]),
        ]));
        $said = array_map(static fn (Issue $t): string => $t->what, $plan->issues);
        self::assertContains('Ear is visible and has no layer yet.', $said);
        self::assertContains('Neck stump is hidden on the finished figure: it needs no paint.', $said);
        self::assertContains('Hair begins with h1 on the bare print.', $said);
        self::assertContains('Hair ends without a varnish.', $said);
        self::assertCount(4, $said);
    }

    public function test_a_painters_own_wish_moves_a_step_and_one_about_nothing_is_passed_over(): void
    {
        $areas = [self::area('a', 'A', 'p', 0, [self::layer('a1', StepKind::Brush)]), self::area('b', 'B', 'p', 0, [self::layer('b1', StepKind::Brush)])];
        $parts = [new PartPlan('p', 'Head', PrintProcess::Resin)];
        self::assertBefore(OrderPlanner::plan(FigurePlan::of($parts, $areas)), 'layer a1', 'layer b1');
        $own = [
            Constraint::should(StepId::parse('layer b1'), StepId::parse('layer a1'), 5.0, 'own rule', 'b dries slowly'),
            Constraint::must(StepId::parse('layer gone'), StepId::parse('layer a1'), 'own rule', 'x'),
        ];
        self::assertBefore(OrderPlanner::plan(FigurePlan::of($parts, $areas, own: $own)), 'layer b1', 'layer a1');
    }

    /** FEPA 43-1, ISO 6344: from P60 with 269 to P800 with 21.8 micrometres, each finer than the one before. */
    public function test_the_ladder_goes_from_coarse_to_fine(): void
    {
        foreach ([[PrintProcess::MeltedPlastic, false], [PrintProcess::MeltedPlastic, true], [PrintProcess::Resin, true]] as [$process, $mirror]) {
            $ladder = SandingSequence::of($process, $mirror);
            foreach ([$ladder->shaping, $ladder->finishing] as $grits) {
                $sorted = $grits;
                sort($sorted);
                self::assertSame($sorted, $grits);
                foreach ($grits as $grit) {
                    self::assertArrayHasKey($grit, SandingSequence::MICROMETRES);
                }
            }
        }
        self::assertSame([180, 400, 800], SandingSequence::of(PrintProcess::MeltedPlastic, true)->finishing);
        $sizes = array_values(SandingSequence::MICROMETRES);
        $falling = $sizes;
        rsort($falling);
        self::assertSame($falling, $sizes);
    }

    public function test_what_can_hurt_is_said_where_it_can(): void
    {
        $plan = OrderPlanner::plan(self::keeper());
        foreach ($plan->steps as $step) {
            $cautions = Cautions::at($step, PrintProcess::Resin);
            self::assertSame($step->kind->isSprayed(), isset($cautions['spray']));
            self::assertSame($step->kind === StepKind::Prepare, isset($cautions['resin']));
        }
        self::assertArrayHasKey(
            'thinners',
            Cautions::at(new Step(StepId::layer('x'), StepKind::Wash, 'x', [], [], [self::layer('o', StepKind::Wash, chemistry: Chemistry::Oil)], 1, 1), PrintProcess::Resin),
        );
    }

    public function test_a_plan_of_a_hundred_and_fifty_steps_keeps_all_its_musts(): void
    {
        $parts = $areas = $boundaries = [];
        for ($n = 0; $n < 30; $n++) {
            $parts[$n % 6] = new PartPlan('p'.$n % 6, 'Part '.$n % 6, PrintProcess::Resin);
            $areas[] = self::area(
                "a{$n}",
                "Area {$n}",
                'p'.$n % 6,
                $n % 3,
                array_map(
                    static fn (int $i): LayerPlan => self::layer(
                        "l{$n}-{$i}",
                        [StepKind::Prime, StepKind::Spray, StepKind::Brush, StepKind::Wash, StepKind::Varnish][$i],
                        sheen: $i === 4 ? 'matt' : null,
                    ),
                    range(0, 4),
                ),
            );
            if ($n > 0) {
                $boundaries[] = new BoundaryPlan("a{$n}", 'a'.($n - 1), 20.0 + $n, $n % 2 === 0);
            }
        }
        $plan = OrderPlanner::plan(FigurePlan::of(array_values($parts), $areas, [], $boundaries));
        self::assertCount(156, $plan->steps);
        self::assertSame([], array_filter($plan->broken, static fn (Constraint $c): bool => $c->isMust()));
        self::assertEquals($plan, OrderPlanner::plan(FigurePlan::of(array_values($parts), $areas, [], $boundaries)));
    }

    /** @param  callable(): FigurePlan  $build */
    #[DataProvider('impossible')]
    public function test_a_figure_that_cannot_be_is_refused(callable $build, string $words): void
    {
        $this->expectException(InvalidPlan::class);
        $this->expectExceptionMessage($words);
        $build();
    }

    /** @return iterable<string, array{callable(): FigurePlan, string}> */
    public static function impossible(): iterable
    {
        $parts = [new PartPlan('p', 'Head', PrintProcess::Resin)];
        $area = self::area('a', 'Ear', 'q', 0, []);
        yield 'an area on no part' => [static fn (): FigurePlan => FigurePlan::of($parts, [$area]), 'the area "Ear" is on no part'];
        yield 'a part joined with itself' => [static fn (): FigurePlan => FigurePlan::of($parts, [], [new JointPlan('p', 'p')]), 'a joint joins "p" with itself'];
        yield 'boundaries that disagree' => [static fn (): FigurePlan => FigurePlan::of($parts, [], [], [new BoundaryPlan('a', 'b', 5.0), new BoundaryPlan('b', 'a', 6.0)]), 'given twice and differs'];
    }

    /** @param  list<Approach>  $approaches */
    private static function keeper(array $approaches = []): FigurePlan
    {
        $prime = static fn (string $key): LayerPlan => self::layer($key, StepKind::Prime, shared: 'black');

        return FigurePlan::of(
            [new PartPlan('body', 'Body', PrintProcess::Resin), new PartPlan('head', 'Head', PrintProcess::Resin), new PartPlan('rock', 'Rock base', PrintProcess::Resin, isBase: true)],
            [
                self::area(
                    'jersey',
                    'Jersey',
                    'body',
                    0,
                    [$prime('prime'), self::layer('j1', StepKind::Brush), self::layer('j2', StepKind::DryBrush), self::layer('j3', StepKind::Varnish, sheen: 'matt')],
                ),
                self::area('coat', 'Coat', 'body', 1, [$prime('prime2'), self::layer('c1', StepKind::Spray, covers: true), self::layer('c2', StepKind::Varnish, sheen: 'satin')]),
                self::area('face', 'Face', 'head', 0, [$prime('prime3'), self::layer('f1', StepKind::Brush), self::layer('f2', StepKind::Varnish, sheen: 'matt')]),
                self::area('stone', 'Stone', 'rock', 0, [$prime('prime4'), self::layer('s1', StepKind::DryBrush), self::layer('s2', StepKind::Varnish, sheen: 'matt')]),
            ],
            [new JointPlan('body', 'head'), new JointPlan('body', 'rock')],
            [new BoundaryPlan('jersey', 'coat', 80.0)],
            $approaches,
        );
    }

    /** @param  list<LayerPlan>  $layers */
    private static function area(string $id, string $name, string $part, int $depth, array $layers, float $squareCm = 6.0, ?string $liesOn = null): AreaPlan
    {
        return new AreaPlan($id, $name, $part, $depth, $squareCm, $layers, $liesOn);
    }

    private static function layer(
        string $key,
        StepKind $kind,
        Chemistry $chemistry = Chemistry::Acrylic,
        ?string $shared = null,
        bool $flake = false,
        bool $chrome = false,
        ?string $sheen = null,
        bool $covers = false,
    ): LayerPlan {
        return new LayerPlan($key, $kind, $key, $chemistry, 10, 30, $chemistry->curingMinutes(), $chemistry->solvent(), $shared, $flake, $chrome, $sheen, $covers);
    }

    private static function assertBefore(PlannedOrder $plan, string $first, string $second): void
    {
        $ids = array_map(static fn (Step $s): string => (string) $s->id, $plan->steps);
        self::assertContains($first, $ids);
        self::assertContains($second, $ids);
        self::assertLessThan(array_search($second, $ids, true), array_search($first, $ids, true), "{$first} before {$second}: ".implode(' | ', $ids));
    }
}

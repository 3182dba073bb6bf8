<?php

declare(strict_types=1);

namespace Tests\Core\Order;

use Hyalin\Order\Checks\Issue;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\Rules\InsideFirst;
use Hyalin\Order\Steps\SandingSequence;
use Hyalin\Order\Steps\StepList;
use Hyalin\Order\WorkSteps;
use Hyalin\Plan\Approach;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Reach;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Rules and checks on the smallest figures that show them; what they say is common practice.
 */
final class WorkedRulesTest extends TestCase
{
    /** @return iterable<string, array{list<LayerPlan>, list<LayerPlan>, list<Approach>, string|null}> a jersey within a coat, 60 mm of border */
    public static function neighbours(): iterable
    {
        $brush = static fn (string $key): LayerPlan => self::layer($key, StepKind::Brush);
        yield 'all of the inside before all of the outside' => [[$brush('i1'), $brush('i2')], [$brush('o1'), $brush('o2')], [], 'layer i2 > layer o1'];
        yield 'a varnish on the inside may come later' => [[$brush('i1'), self::layer('i2', StepKind::Varnish, sheen: 'matt')], [$brush('o1')], [], 'layer i1 > layer o1'];
        yield 'nothing is on the inside' => [[], [$brush('o1')], [], null];
        yield 'nothing is on the outside' => [[$brush('i1')], [], [], null];
        yield 'a wash outside runs over the inside, whenever' => [[$brush('i1')], [$brush('o1'), self::layer('o2', StepKind::Wash)], [], null];
        yield 'so does spray' => [[$brush('i1')], [self::layer('o1', StepKind::Spray)], [], null];
        yield 'the larger first, where the painter says so' => [[$brush('i1')], [$brush('o1')], [Approach::BigFirst], 'layer o1 > layer i1'];
        yield 'a wash does not matter then' => [[self::layer('i1', StepKind::Wash)], [$brush('o1')], [Approach::BigFirst], 'layer o1 > layer i1'];
    }

    /**
     * @param  list<LayerPlan>  $inside
     * @param  list<LayerPlan>  $outside
     * @param  list<Approach>  $approaches
     */
    #[DataProvider('neighbours')]
    public function test_inside_comes_before_outside_where_a_slip_can_be_painted_over(array $inside, array $outside, array $approaches, ?string $wanted): void
    {
        $figure = self::figure([new AreaPlan('i', 'Jersey', 'p', 0, 4.0, $inside), new AreaPlan('o', 'Coat', 'p', 1, 9.0, $outside)], $approaches);
        $found = [...(new InsideFirst)->constraints($figure, StepList::of($figure))];
        self::assertSame($wanted === null ? [] : [$wanted], array_map(static fn (Constraint $c): string => "{$c->before} > {$c->after}", $found));
        // 0.02 minutes a millimetre, own estimate: 60 mm are worth 1.2 minutes.
        foreach ($found as $constraint) {
            self::assertEqualsWithDelta(1.2, $constraint->weight, 1e-9);
        }
    }

    public function test_paint_on_gloss_is_warned_of_and_wax_is_not(): void
    {
        $gloss = self::layer('g', StepKind::Varnish, sheen: 'gloss');
        $said = static fn (LayerPlan ...$layers): array => self::said(self::figure([new AreaPlan('a', 'Bell', 'p', 0, 5.0, array_values($layers))]), 'adheres badly');
        self::assertCount(1, $said(self::layer('b', StepKind::Brush), $gloss, self::layer('c', StepKind::Brush)));
        self::assertCount(1, $said($gloss, self::layer('c', StepKind::Spray)));
        // What lies on the coat that lies on the gloss has a key again.
        self::assertCount(1, $said($gloss, self::layer('c', StepKind::Brush), self::layer('d', StepKind::Brush)));
        foreach ([[self::layer('g', StepKind::Varnish, sheen: 'matt'), self::layer('c', StepKind::Brush)], [$gloss, self::layer('w', StepKind::DryBrush, Chemistry::Wax)], [$gloss, self::layer('w', StepKind::Wash)]] as $layers) {
            self::assertSame([], $said(...$layers));
        }
    }

    public function test_what_nothing_reaches_gets_another_remedy_than_what_a_brush_reaches(): void
    {
        $remedy = static function (Reach $reach): string {
            $figure = self::figure([new AreaPlan('a', 'Lining', 'p', 0, 5.0, [self::layer('s', StepKind::Spray)], reach: $reach)]);
            $found = array_values(array_filter(OrderPlanner::plan($figure)->issues, static fn (Issue $i): bool => str_contains($i->what, 'cannot be reached')));
            self::assertCount(1, $found, $reach->value);

            return (string) $found[0]->remedy;
        };
        self::assertStringStartsWith('It stays the colour of its primer', $remedy(Reach::None));
        foreach (Reach::cases() as $reach) {
            if ($reach !== Reach::None && ! $reach->allows(StepKind::Spray)) {
                self::assertStringStartsWith('Apply it by brush', $remedy($reach));
            }
        }
    }

    /** A fifth of the minutes that a mask takes, and whole ones: own estimate. */
    public function test_a_mask_comes_off_in_a_fifth_of_the_time_it_took(): void
    {
        $figure = self::figure([new AreaPlan('i', 'Jersey', 'p', 0, 4.0, [self::layer('i1', StepKind::Spray)]), new AreaPlan('o', 'Coat', 'p', 1, 9.0, [self::layer('o1', StepKind::Spray)])]);
        $order = OrderPlanner::judge($figure, ['prepare p', 'layer i1', 'layer o1']);
        self::assertCount(1, $order->masks);
        $peel = array_values(array_filter(WorkSteps::of($figure, $order), static fn ($step): bool => $step->kind === StepKind::Peel));
        self::assertSame([(int) ceil(0.2 * $order->masks[0]->minutes)], array_map(static fn ($step): int => $step->minutes, $peel));
        self::assertGreaterThan(floor(0.2 * $order->masks[0]->minutes), $peel[0]->minutes);
    }

    public function test_a_ladder_is_changed_at_one_end_alone(): void
    {
        $usual = SandingSequence::of(PrintProcess::MeltedPlastic, false);
        self::assertSame([[120], [180, 220, 320, 400]], [$usual->between(120, null, null)->shaping, $usual->between(120, null, null)->finishing]);
        self::assertSame([[60, 80, 120], [180, 220]], [$usual->between(null, 220, null)->shaping, $usual->between(null, 220, null)->finishing]);
        self::assertSame(7, $usual->between(null, null, 7)->primers);
    }

    /**
     * @param  list<AreaPlan>  $areas
     * @param  list<Approach>  $approaches
     */
    private static function figure(array $areas, array $approaches = []): FigurePlan
    {
        return FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], $areas, [], count($areas) > 1 ? [new BoundaryPlan('i', 'o', 60.0, true)] : [], $approaches);
    }

    private static function layer(string $key, StepKind $kind, Chemistry $chemistry = Chemistry::Acrylic, ?string $sheen = null): LayerPlan
    {
        return new LayerPlan($key, $kind, $key, $chemistry, 10, 30, 1440, 'water', sheen: $sheen);
    }

    /** @return list<Issue> */
    private static function said(FigurePlan $figure, string $words): array
    {
        return array_values(array_filter(OrderPlanner::plan($figure)->issues, static fn (Issue $i): bool => str_contains($i->what, $words)));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Order;

use Hyalin\Order\Checks\Issue;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\Rules\InsideFirst;
use Hyalin\Order\Rules\LastThings;
use Hyalin\Order\Rules\Metal;
use Hyalin\Order\Rules\SprayBeforeBrush;
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

    /** @return iterable<string, array{list<LayerPlan>, list<LayerPlan>, list<string>}> what is sprayed or strays on the coat, before what is painted by hand on the jersey */
    public static function strays(): iterable
    {
        [$brush, $spray] = [static fn (string $key): LayerPlan => self::layer($key, StepKind::Brush), static fn (string $key): LayerPlan => self::layer($key, StepKind::Spray)];
        yield 'all spray before the first brush' => [[$brush('i1'), $brush('i2')], [$spray('o1'), $spray('o2')], ['spray before brush: layer o2 > layer i1']];
        yield 'and before a wash' => [[self::layer('i1', StepKind::Wash)], [$spray('o1')], ['spray before brush: layer o1 > layer i1']];
        yield 'a wash before brushwork' => [[$brush('i1'), $brush('i2')], [self::layer('o1', StepKind::Wash)], ['messy before neat: layer o1 > layer i1']];
        yield 'not where both are washed' => [[$brush('i1'), self::layer('i2', StepKind::Wash)], [self::layer('o1', StepKind::DryBrush)], []];
        yield 'brush beside brush' => [[$brush('i1')], [$brush('o1')], []];
    }

    /**
     * @param  list<LayerPlan>  $inside
     * @param  list<LayerPlan>  $outside
     * @param  list<string>  $wanted
     */
    #[DataProvider('strays')]
    public function test_what_strays_comes_before_what_is_painted_by_hand(array $inside, array $outside, array $wanted): void
    {
        $figure = self::figure([new AreaPlan('i', 'Jersey', 'p', 0, 4.0, $inside), new AreaPlan('o', 'Coat', 'p', 1, 9.0, $outside)]);
        self::assertSame($wanted, array_map(static fn (Constraint $c): string => "{$c->rule}: {$c->before} > {$c->after}", [...(new SprayBeforeBrush)->constraints($figure, StepList::of($figure))]));
    }

    /** @return iterable<string, array{list<LayerPlan>, list<LayerPlan>, list<string>}> */
    public static function lasts(): iterable
    {
        [$matt, $gloss, $brush] = [static fn (string $key): LayerPlan => self::layer($key, StepKind::Varnish, sheen: 'matt'), static fn (string $key): LayerPlan => self::layer($key, StepKind::Varnish, sheen: 'gloss'), static fn (string $key): LayerPlan => self::layer($key, StepKind::Brush)];
        yield 'matt before gloss' => [[$brush('i1'), $matt('i2')], [$brush('o1'), $gloss('o2')], ['matt before gloss: layer i2 > layer o2']];
        yield 'not before a gloss that is dulled again' => [[$matt('i1')], [$gloss('o1'), $brush('o2'), $matt('o3')], []];
        yield 'gloss may come before matt elsewhere' => [[$gloss('i1')], [$gloss('o1')], []];
        yield 'powders last' => [[$matt('i1')], [$brush('o1'), self::layer('o2', StepKind::Powder)], ['powders last: layer i1 > layer o2']];
        yield 'paint is no powder' => [[$matt('i1')], [$brush('o1')], []];
    }

    /**
     * @param  list<LayerPlan>  $inside
     * @param  list<LayerPlan>  $outside
     * @param  list<string>  $wanted
     */
    #[DataProvider('lasts')]
    public function test_what_would_be_dulled_or_swallowed_comes_last(array $inside, array $outside, array $wanted): void
    {
        $figure = self::figure([new AreaPlan('i', 'Jersey', 'p', 0, 4.0, $inside), new AreaPlan('o', 'Coat', 'p', 1, 9.0, $outside)]);
        self::assertSame($wanted, array_map(static fn (Constraint $c): string => "{$c->rule}: {$c->before} > {$c->after}", [...(new LastThings)->constraints($figure, StepList::of($figure))]));
    }

    public function test_metal_goes_last_or_first_beside_spray_as_the_painter_says(): void
    {
        $metal = new LayerPlan('m', StepKind::Spray, 'm', Chemistry::Acrylic, 10, 30, 1440, 'water', isFlake: true);
        $said = static function (array $jersey, LayerPlan $coat, Approach ...$approaches): array {
            $figure = self::figure([new AreaPlan('i', 'Jersey', 'p', 0, 4.0, array_values(array_filter($jersey, static fn (mixed $l): bool => $l instanceof LayerPlan))), new AreaPlan('o', 'Coat', 'p', 1, 9.0, [$coat])], array_values($approaches));

            return array_map(static fn (Constraint $c): string => "{$c->rule}: {$c->before} > {$c->after}", [...(new Metal)->constraints($figure, StepList::of($figure))]);
        };
        [$spray, $brush, $seal] = [self::layer('o', StepKind::Spray), self::layer('o', StepKind::Brush), self::layer('v', StepKind::Varnish, sheen: 'gloss')];
        self::assertSame(['metal last: layer o > layer m'], $said([$metal, $seal], $spray, Approach::MetalLast));
        self::assertSame(['metal first: layer v > layer o', 'metal first: layer m > layer o'], $said([$metal, $seal], $spray, Approach::MetalFirst));
        self::assertSame([[], []], [$said([$metal, $seal], $brush, Approach::MetalLast), $said([$metal, $seal], $brush, Approach::MetalFirst)]);
        self::assertSame([], $said([self::layer('m', StepKind::Spray)], $spray, Approach::MetalLast));
    }

    public function test_a_finish_without_varnish_is_told_unless_it_may_have_none(): void
    {
        $told = static fn (LayerPlan ...$layers): int => count(self::said(self::figure([new AreaPlan('a', 'Bell', 'p', 0, 5.0, array_values($layers))]), 'varnish'));
        $brush = self::layer('b', StepKind::Brush);
        $none = $told($brush, self::layer('v', StepKind::Varnish, sheen: 'matt'));
        self::assertSame($none + 1, $told($brush));
        // The varnish counts at the end, and nowhere else.
        self::assertSame($none + 1, $told(self::layer('v', StepKind::Varnish, sheen: 'matt'), $brush));
        self::assertSame($none, $told($brush, self::layer('w', StepKind::DryBrush, Chemistry::Wax)));
        self::assertSame($none, $told($brush, self::layer('d', StepKind::Powder, Chemistry::Powder)));
        self::assertSame($none + 1, $told(self::layer('d', StepKind::Powder, Chemistry::Powder), $brush));
    }

    public function test_a_wet_blend_needs_paint_beneath_it(): void
    {
        $blend = new LayerPlan('w', StepKind::Brush, 'w', Chemistry::Acrylic, 10, 30, 1440, 'water', blendsWet: true);
        $told = static fn (LayerPlan ...$layers): int => count(self::said(self::figure([new AreaPlan('a', 'Bell', 'p', 0, 5.0, array_values($layers))]), 'no wet paint'));
        self::assertSame([1, 1, 1, 0], [$told($blend), $told(self::layer('p', StepKind::Prime), $blend), $told(self::layer('b', StepKind::Brush), self::layer('v', StepKind::Varnish, sheen: 'matt'), $blend), $told(self::layer('b', StepKind::Brush), $blend)]);
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

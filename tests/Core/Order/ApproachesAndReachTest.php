<?php

declare(strict_types=1);

namespace Tests\Core\Order;

use Hyalin\Order\Checks\Issue;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\PlannedOrder;
use Hyalin\Order\WorkSteps;
use Hyalin\Plan\Approach;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\JointPlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\LayerTone;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Reach;
use Hyalin\Plan\Seam;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Where painters disagree, what cannot be reached, seams, and masks as steps: common practice, no published source.
 */
final class ApproachesAndReachTest extends TestCase
{
    public function test_a_seam_of_bare_parts_is_filled_before_the_prime_and_one_of_painted_parts_after_the_glue(): void
    {
        $parts = [new PartPlan('a', 'Body', PrintProcess::Resin), new PartPlan('b', 'Arm', PrintProcess::Resin)];
        $areas = [
            new AreaPlan('x', 'Coat', 'a', 0, 5.0, [self::layer('u1', StepKind::Prime), self::layer('c', StepKind::Brush)]),
            new AreaPlan('y', 'Sleeve', 'b', 0, 5.0, [self::layer('u2', StepKind::Prime), self::layer('s', StepKind::Brush)]),
        ];
        $bare = self::ids(OrderPlanner::plan(FigurePlan::of($parts, $areas, [new JointPlan('a', 'b', [], Seam::Filled)])));
        self::assertSame(['prepare a', 'prepare b', 'glue a b', 'fill a b'], array_slice($bare, 0, 4));
        $order = OrderPlanner::plan(FigurePlan::of($parts, $areas, [new JointPlan('a', 'b', ['x'], Seam::Filled)]));
        $painted = self::ids($order);
        self::assertGreaterThan(array_search('layer c', $painted, true), array_search('glue a b', $painted, true));
        self::assertSame('fill a b', $painted[array_search('glue a b', $painted, true) + 1] ?? null);
        $fill = array_values(array_filter($order->steps, static fn (Step $s): bool => $s->kind === StepKind::Fill))[0];
        self::assertStringContainsString('no sanding', $fill->words);
    }

    #[DataProvider('reaches')]
    public function test_what_no_tool_reaches_stops_the_plan(Reach $reach, StepKind $kind, bool $stops): void
    {
        $area = new AreaPlan('x', 'Fold', 'p', 0, 2.0, [self::layer('u', StepKind::Prime), self::layer('c', $kind)], reach: $reach);
        $order = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], [$area]));
        $unreached = array_filter($order->issues, static fn (Issue $t): bool => str_contains($t->what, 'cannot be reached'));
        self::assertSame($stops, $unreached !== []);
        self::assertSame(! $stops, $order->canBePainted());
    }

    /** @return iterable<string, array{Reach, StepKind, bool}> */
    public static function reaches(): iterable
    {
        yield 'open, sprayed' => [Reach::Open, StepKind::Spray, false];
        yield 'a brush gets in' => [Reach::Brush, StepKind::Brush, false];
        yield 'spray does not' => [Reach::Brush, StepKind::Spray, true];
        yield 'varnish is sprayed too' => [Reach::Brush, StepKind::Varnish, true];
        yield 'only the prime, brushed' => [Reach::None, StepKind::Brush, true];
        yield 'only the prime, washed' => [Reach::None, StepKind::Wash, true];
    }

    /**
     * @param  list<LayerPlan>  $layers
     * @param  list<Approach>  $approaches
     */
    #[DataProvider('habits')]
    public function test_a_finish_that_differs_from_the_approach_is_told_and_never_stopped(string $name, array $layers, array $approaches, ?string $message): void
    {
        $order = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], [new AreaPlan('x', $name, 'p', 0, 5.0, $layers)], approaches: $approaches));
        $words = array_map(static fn (Issue $t): string => "{$t->what} {$t->remedy}", $order->issues);
        $about = array_filter($words, static fn (string $w): bool => str_contains($w, 'Your approach') || str_contains($w, 'brush only'));
        self::assertCount($message === null ? 0 : 1, $about, implode("\n", $words));
        if ($message !== null) {
            self::assertStringContainsString($message, implode('', $about));
        }
        self::assertTrue($order->canBePainted());
    }

    /** @return iterable<string, array{string, list<LayerPlan>, list<Approach>, string|null}> */
    public static function habits(): iterable
    {
        $u = self::layer('u', StepKind::Prime);
        $base = self::layer('b', StepKind::Brush);
        $wash = self::layer('w', StepKind::Wash, LayerTone::Shade);
        $light = self::layer('l', StepKind::DryBrush, LayerTone::Light);
        yield 'wash, then light' => ['Coat', [$u, $base, $wash, $light], [], null];
        yield 'light, then wash' => ['Coat', [$u, $base, $light, $wash], [], 'dulls them'];
        yield 'light, then wash, as the other approach has it' => ['Coat', [$u, $base, $light, $wash], [Approach::WashAfter], null];
        yield 'wash, then light against it' => ['Coat', [$u, $base, $wash, $light], [Approach::WashAfter], 'shades down'];
        yield 'two primes' => ['Coat', [$u, self::layer('z', StepKind::Prime), $base], [], null];
        yield 'two primes against one primer' => ['Coat', [$u, self::layer('z', StepKind::Prime), $base], [Approach::OnePrimer], 'one primer colour'];
        yield 'sprayed against brush only' => ['Coat', [$u, self::layer('s', StepKind::Spray)], [Approach::BrushOnly], 'Make it a base coat'];
        yield 'no barrier' => ['Coat', [$u, $base, $wash], [Approach::VarnishBetween], 'varnish between'];
        yield 'with a barrier' => ['Coat', [$u, $base, self::layer('v', StepKind::Varnish), $wash], [Approach::VarnishBetween], null];
        $white = self::layer('e', StepKind::Brush, lightness: 92.0);
        yield 'an eye without a socket' => ['Left eye', [$u, $white], [], 'darkens the socket'];
        yield 'an eye with its socket' => ['Left eye', [$u, self::layer('d', StepKind::Brush, lightness: 20.0), $white], [], null];
        // A socket is dark below L* 40, a white is one above L* 75: own estimates.
        yield 'an eye with a grey socket' => ['Left eye', [$u, self::layer('d', StepKind::Brush, lightness: 40.5), $white], [], 'darkens the socket'];
        yield 'an eye with a brown socket' => ['Left eye', [$u, self::layer('d', StepKind::Brush, lightness: 39.5), $white], [], null];
        yield 'an eye that is grey' => ['Left eye', [$u, self::layer('e', StepKind::Brush, lightness: 74.5)], [], null];
        yield 'an eye that is hardly white' => ['Left eye', [$u, self::layer('e', StepKind::Brush, lightness: 75.5)], [], 'darkens the socket'];
        yield 'white straight away' => ['Left eye', [$u, $white], [Approach::EyeWhite], null];
        yield 'no eye at all' => ['Eyelet', [$u, $white], [], null];
    }

    public function test_metal_first_is_sealed_and_then_stands_the_tape(): void
    {
        $areas = [
            new AreaPlan('m', 'Brass', 'p', 0, 5.0, [self::layer('m1', StepKind::Spray, flake: true), self::layer('m2', StepKind::Varnish)]),
            new AreaPlan('c', 'Cloth', 'p', 1, 5.0, [self::layer('c1', StepKind::Spray)]),
        ];
        $figure = static fn (Approach ...$approaches): FigurePlan => FigurePlan::of(
            [new PartPlan('p', 'Lantern', PrintProcess::Resin)],
            $areas,
            [],
            [new BoundaryPlan('m', 'c', 40.0, false)],
            array_values($approaches),
        );
        self::assertLessThan(array_search('layer m1', $last = self::ids(OrderPlanner::plan($figure())), true), array_search('layer c1', $last, true));
        $order = OrderPlanner::plan($figure(Approach::MetalFirst));
        $first = self::ids($order);
        self::assertLessThan(array_search('layer c1', $first, true), array_search('layer m2', $first, true));
        self::assertContains('metal first', array_map(static fn (Constraint $c): string => $c->rule, $order->constraints));
        self::assertNull($order->masks[0]->warning, 'what is sealed stands the tape');
        // Chrome under a colour is a layer like any other: no seal, no tape, no wish to come first.
        $chrome = [new AreaPlan('m', 'Brass', 'p', 0, 5.0, [self::layer('m1', StepKind::Spray, flake: true, chrome: true), self::layer('m2', StepKind::Brush)]), $areas[1]];
        $covered = OrderPlanner::plan(FigurePlan::of([new PartPlan('p', 'Lantern', PrintProcess::Resin)], $chrome, [], [new BoundaryPlan('m', 'c', 40.0, false)], [Approach::MetalFirst]));
        self::assertNotContains('metal first', array_map(static fn (Constraint $c): string => $c->rule, $covered->constraints));
    }

    public function test_at_the_bench_a_mask_goes_on_just_before_its_spray_and_off_just_after(): void
    {
        $areas = [
            new AreaPlan('i', 'Jersey', 'p', 0, 5.0, [self::layer('i1', StepKind::Spray)]),
            new AreaPlan('o', 'Coat', 'p', 1, 5.0, [self::layer('o1', StepKind::Spray), self::layer('o2', StepKind::Brush)]),
        ];
        $figure = FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], $areas, [], [new BoundaryPlan('i', 'o', 60.0, true)]);
        $order = OrderPlanner::judge($figure, ['prepare p', 'layer i1', 'layer o1', 'layer o2']);
        $steps = WorkSteps::of($figure, $order);
        self::assertSame(['prepare p', 'layer i1', 'mask layer o1', 'layer o1', 'peel layer o1', 'layer o2'], array_map(static fn (Step $s): string => (string) $s->id, $steps));
        self::assertSame(['i'], $steps[2]->areas);
        self::assertStringContainsString('Mask Jersey: masking fluid', $steps[2]->words);
        self::assertStringContainsString('60 mm', $steps[2]->words);
        self::assertStringContainsString('still soft', $steps[4]->words);
        // Putting on and taking off take as long as the order estimated, but for whole minutes.
        self::assertEqualsWithDelta($order->maskMinutes(), $steps[2]->minutes + $steps[4]->minutes, 2.0);
    }

    /** @return list<string> */
    private static function ids(PlannedOrder $order): array
    {
        return array_map(static fn (Step $s): string => (string) $s->id, $order->steps);
    }

    private static function layer(string $key, StepKind $kind, ?LayerTone $tone = null, ?float $lightness = null, bool $flake = false, bool $chrome = false): LayerPlan
    {
        return new LayerPlan($key, $kind, $key, Chemistry::Acrylic, 10, 30, 1440, 'water', isFlake: $flake, isChrome: $chrome, sheen: $kind === StepKind::Varnish ? 'matt' : null, tone: $tone, lightness: $lightness);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Bench;

use Hyalin\Bench\BenchScheduler;
use Hyalin\Bench\CriticalChain;
use Hyalin\Bench\DryingAid;
use Hyalin\Bench\Hold;
use Hyalin\Bench\InvalidSchedule;
use Hyalin\Bench\Schedule;
use Hyalin\Bench\ScheduleTask;
use Hyalin\Bench\Work;
use Hyalin\Bench\WorkLags;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\WorkSteps;
use Hyalin\Plan\Approach;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\TestCase;

/**
 * Times between steps: common practice, no published source.
 */
final class WorkLagsTest extends TestCase
{
    public function test_a_mask_waits_an_hour_for_dry_paint_and_comes_off_while_the_coat_is_soft(): void
    {
        $lags = self::lags(self::work(self::masked()));
        self::assertSame([60.0, null], $lags['layer i1>mask layer o1']);
        // Fluid turns clear before it is sprayed over, and does not stay on for days.
        self::assertSame([15.0, null], $lags['mask layer o1>layer o1']);
        self::assertSame(24 * 60.0, $lags['mask layer o1>peel layer o1'][1]);
        self::assertSame([0.0, 30.0], $lags['layer o1>peel layer o1']);
        $dry = self::lags(self::work(self::masked(Approach::PeelDry)));
        self::assertSame([30.0, null], $dry['layer o1>peel layer o1']);
    }

    /** Acrylic stays open for five minutes, or half its drying time where it dries slowly (common practice). */
    public function test_a_wet_blend_comes_while_the_coat_beneath_is_open(): void
    {
        foreach ([[4, 5.0], [30, 15.0]] as [$dry, $open]) {
            $layer = static fn (string $key, bool $blends): LayerPlan => new LayerPlan($key, StepKind::Brush, $key, Chemistry::Acrylic, 10, $dry, 1440, 'water', blendsWet: $blends);
            $figure = FigurePlan::of([new PartPlan('p', 'Body', PrintProcess::Resin)], [new AreaPlan('a', 'Cloak', 'p', 0, 5.0, [$layer('1', false), $layer('2', true), $layer('3', false)])]);
            $order = OrderPlanner::judge($figure, ['prepare p', 'layer 1', 'layer 2', 'layer 3']);
            $lags = self::lags(WorkLags::of($order, WorkSteps::of($figure, $order), DryingAid::None, []));
            self::assertSame([[0.0, $open], [(float) $dry, null]], [$lags['layer 1>layer 2'], $lags['layer 2>layer 3']]);
        }
    }

    public function test_what_must_come_first_on_another_part_does(): void
    {
        $layer = static fn (string $key): LayerPlan => new LayerPlan($key, StepKind::Brush, $key, Chemistry::Acrylic, 10, 30, 1440, 'water');
        $parts = [new PartPlan('p', 'Body', PrintProcess::Resin), new PartPlan('q', 'Hat', PrintProcess::Resin)];
        $areas = [new AreaPlan('a', 'Cloak', 'p', 0, 5.0, [$layer('1')]), new AreaPlan('b', 'Band', 'q', 0, 5.0, [$layer('2')])];
        $own = [Constraint::must(StepId::layer('2'), StepId::layer('1'), 'own', 'it is the sample')];
        $lags = static function (string $ids, Constraint ...$own) use ($parts, $areas): array {
            $figure = FigurePlan::of($parts, $areas, own: array_values($own));
            $order = OrderPlanner::judge($figure, explode(', ', "prepare p, prepare q, {$ids}"));

            return self::lags(WorkLags::of($order, WorkSteps::of($figure, $order), DryingAid::None, []));
        };
        self::assertSame([0.0, null], $lags('layer 2, layer 1', ...$own)['layer 2>layer 1']);
        self::assertArrayNotHasKey('layer 2>layer 1', $lags('layer 2, layer 1'));
        // A rule that the painter's own order breaks is said at the order; the schedule keeps the order.
        self::assertArrayNotHasKey('layer 2>layer 1', $lags('layer 1, layer 2', ...$own));
    }

    public function test_no_session_lasts_less_than_nothing(): void
    {
        foreach ([-1.0, NAN, INF] as $minutes) {
            try {
                self::work(self::masked())->over([[0.0, $minutes]]);
                self::fail("a session of {$minutes} minutes");
            } catch (InvalidSchedule $e) {
                self::assertStringContainsString('session 1', $e->getMessage());
            }
        }
    }

    public function test_moving_air_shortens_acrylic_and_leaves_oil_alone(): void
    {
        self::assertSame(30, DryingAid::MovingAir->minutes(60, Chemistry::Acrylic));
        self::assertSame(18, DryingAid::WarmAir->minutes(60, Chemistry::Acrylic));
        self::assertSame(30, DryingAid::WarmAir->minutes(60, Chemistry::Lacquer));
        foreach (DryingAid::cases() as $aid) {
            self::assertSame(600, $aid->minutes(600, Chemistry::Oil));
            self::assertSame(30, $aid->minutes(30, null), 'glue cures, it does not dry');
        }
        // Before tape an hour it is, whatever air moves: the bench holds it as long.
        self::assertSame([60.0, null], self::lags(self::work(self::masked(), DryingAid::MovingAir))['layer i1>mask layer o1']);
    }

    public function test_what_was_done_already_is_not_laid_again_and_its_drying_still_counts(): void
    {
        $work = self::work(self::masked(), done: ['prepare p' => 0.0, 'layer i1' => 100.0]);
        self::assertSame(['mask layer o1', 'layer o1', 'peel layer o1'], array_column($work->steps, 0));
        self::assertSame(160.0, $work->notBefore['mask layer o1']);
        $schedule = BenchScheduler::lay($work->over([[110.0, 300.0]]));
        self::assertSame(160.0, $schedule->placed[0][0]);
        self::assertGreaterThanOrEqual(160.0, $schedule->bound);
    }

    public function test_two_figures_share_the_evenings_and_one_dries_under_the_other(): void
    {
        $one = self::work(self::masked(), prefix: 'a ');
        $alone = BenchScheduler::lay($one->over([[0.0, 2000.0]]))->finish;
        $both = BenchScheduler::lay($one->with(self::work(self::masked(), prefix: 'b '))->over([[0.0, 2000.0]]));
        self::assertLessThan(2 * $alone - 60.0, $both->finish);
        self::assertGreaterThanOrEqual($alone, $both->finish);
    }

    public function test_a_step_longer_than_any_evening_is_broken_off_and_gone_on_with(): void
    {
        $schedule = BenchScheduler::lay((new Work([['sand', 150.0, false]], []))->over([[0.0, 60.0], [1440.0, 60.0], [2880.0, 60.0]]));
        self::assertSame([[0.0, 2880.0 + 30.0]], $schedule->placed);
    }

    public function test_what_decides_the_date_is_named_back_to_the_first_step(): void
    {
        $task = ScheduleTask::of(
            [['prime', 20.0, false], ['coat', 30.0, false], ['other', 10.0, false], ['late', 30.0, false]],
            [['prime', 'coat', 60.0, null], ['coat', 'late', 60.0, null]],
            [[0.0, 120.0], [1440.0, 120.0]],
        );
        $schedule = BenchScheduler::lay($task);
        $chain = array_map(static fn (array $link): array => [$task->ids[$link[0]], $link[1]], CriticalChain::of($task, $schedule));
        self::assertSame(['prime', 'coat', 'late'], array_column($chain, 0));
        self::assertSame([Hold::Hours, Hold::Drying, Hold::Hours], array_column($chain, 1));
    }

    /** Law: every link of a chain ends before the next begins, and the last one ends the work. */
    public function test_a_chain_runs_forward_to_the_finish(): void
    {
        for ($figures = 1; $figures <= 4; $figures++) {
            $work = new Work([], []);
            for ($n = 0; $n < $figures; $n++) {
                $work = $work->with(self::work(self::masked(), prefix: "f{$n} "));
            }
            $task = $work->over([[0.0, 90.0], [1440.0, 90.0], [2880.0, 90.0], [4320.0, 90.0]]);
            $schedule = BenchScheduler::lay($task);
            $chain = CriticalChain::of($task, $schedule);
            self::assertSame($schedule->finish, $schedule->placed[$chain[count($chain) - 1][0]][1]);
            self::assertRunsForward($chain, $schedule);
        }
    }

    /** @param  list<array{int, Hold}>  $chain */
    private static function assertRunsForward(array $chain, Schedule $schedule): void
    {
        for ($n = 1; $n < count($chain); $n++) {
            self::assertLessThanOrEqual($schedule->placed[$chain[$n][0]][0] + 1e-6, $schedule->placed[$chain[$n - 1][0]][1]);
        }
    }

    private static function masked(Approach ...$approaches): FigurePlan
    {
        $layer = static fn (string $key): LayerPlan => new LayerPlan($key, StepKind::Spray, $key, Chemistry::Acrylic, 10, 30, 1440, 'water');

        return FigurePlan::of(
            [new PartPlan('p', 'Body', PrintProcess::Resin)],
            [new AreaPlan('i', 'Jersey', 'p', 0, 5.0, [$layer('i1')]), new AreaPlan('o', 'Coat', 'p', 1, 5.0, [$layer('o1')])],
            [],
            [new BoundaryPlan('i', 'o', 60.0, true)],
            array_values($approaches),
        );
    }

    /** @param  array<string, float>  $done */
    private static function work(FigurePlan $figure, DryingAid $aid = DryingAid::None, array $done = [], string $prefix = ''): Work
    {
        $order = OrderPlanner::judge($figure, ['prepare p', 'layer i1', 'layer o1']);

        return WorkLags::of($order, WorkSteps::of($figure, $order), $aid, $done, $prefix);
    }

    /** @return array<string, array{float, float|null}> the tightest of each pair */
    private static function lags(Work $work): array
    {
        $found = [];
        foreach ($work->lags as [$from, $to, $least, $most]) {
            $known = $found["{$from}>{$to}"] ?? [0.0, null];
            $found["{$from}>{$to}"] = [max($known[0], $least), $most ?? $known[1]];
        }

        return $found;
    }
}

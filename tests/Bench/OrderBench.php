<?php

declare(strict_types=1);

namespace Tests\Bench;

use Hyalin\Bench\BenchScheduler;
use Hyalin\Bench\ScheduleTask;
use Hyalin\Order\Masking\MaskOrder;
use Hyalin\Order\Masking\MaskOrderTask;
use Hyalin\Order\OrderPlanner;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The order of areas, the plan of a figure, and its schedule; as ratios to a smaller one of the same kind.
 */
final class OrderBench
{
    public function run(): void
    {
        $small = self::time(static fn () => MaskOrder::find(self::areas(15, 45)));
        foreach ([60, 0] as $precedences) {
            $time = self::time(static fn () => MaskOrder::find(self::areas(20, $precedences)));
            printf(
                "order of 20 sprayed areas, %d precedences, seed 3, exact: %.2f s, %.1f times 15 areas with 45 precedences; peak %d MB\n",
                $precedences,
                $time / 1000,
                $time / $small,
                (int) (memory_get_peak_usage() / 1e6),
            );
        }
        $large = MaskOrder::find(self::areas(25, 40));
        printf("order of 25 sprayed areas, 40 precedences: %.1f min, %.1f %% above the bound\n", $large->total(), 100 * ($large->total() / $large->bound - 1));
        $figure = self::figure(30);
        $half = self::time(static fn () => OrderPlanner::plan(self::figure(15)));
        $plan = self::time(static fn () => OrderPlanner::plan($figure));
        $ids = array_map(static fn (Step $s): string => (string) $s->id, OrderPlanner::plan($figure)->steps);
        printf(
            "plan of %d steps: %.0f ms, %.1f times one of half the areas; a step moved is judged in %.0f ms\n",
            count($ids),
            $plan,
            $plan / $half,
            self::time(static fn () => OrderPlanner::judge($figure, array_reverse($ids))),
        );
        $task = self::evenings(150, 60);
        $schedule = null;
        $time = self::time(static function () use ($task, &$schedule): void {
            $schedule = BenchScheduler::lay($task);
        });
        printf("schedule of 150 steps over 60 sessions, seed 7: %.2f s, %.1f %% above the bound\n", $time / 1000, $schedule === null ? NAN : 100 * ($schedule->finish / $schedule->bound - 1));
    }

    private static function time(callable $work): float
    {
        $sample = new Sample;
        $sample->time($work);

        return $sample->median();
    }

    private static function areas(int $count, int $precedences): MaskOrderTask
    {
        $random = new Randomizer(new Mt19937(3));
        $areas = $boundaries = $before = [];
        for ($i = 0; $i < $count; $i++) {
            $areas[] = ["a{$i}", true, $random->getInt(0, 50) / 10];
            for ($j = 0; $j < $i; $j++) {
                if ($random->getInt(0, 99) < 35) {
                    $boundaries[] = ["a{$i}", "a{$j}", (float) $random->getInt(5, 120), $random->getInt(1, 4) / 20];
                }
            }
        }
        while (count($before) < $precedences) {
            $i = $random->getInt(0, $count - 2);
            $j = $random->getInt($i + 1, $count - 1);
            $before["{$i} {$j}"] = ["a{$i}", "a{$j}"];
        }

        return MaskOrderTask::of($areas, $boundaries, array_values($before), []);
    }

    private static function figure(int $count): FigurePlan
    {
        $parts = $areas = $boundaries = [];
        for ($n = 0; $n < $count; $n++) {
            $parts[$n % 6] = new PartPlan('p'.$n % 6, 'Part', PrintProcess::Resin);
            $layers = [];
            foreach ([StepKind::Prime, StepKind::Spray, StepKind::Brush, StepKind::Wash, StepKind::Varnish] as $i => $kind) {
                $layers[] = new LayerPlan("l{$n}-{$i}", $kind, 'layer', Chemistry::Acrylic, 10, 30, 1440, 'water', sheen: $i === 4 ? 'matt' : null);
            }
            $areas[] = new AreaPlan("a{$n}", "Area {$n}", 'p'.$n % 6, $n % 3, 6.0, $layers);
            for ($m = 0; $m < $n; $m += 3) {
                $boundaries[] = new BoundaryPlan("a{$n}", "a{$m}", 20.0 + $n, $n % 2 === 0);
            }
        }

        return FigurePlan::of(array_values($parts), $areas, [], $boundaries);
    }

    private static function evenings(int $count, int $sessions): ScheduleTask
    {
        $random = new Randomizer(new Mt19937(7));
        $steps = $lags = [];
        for ($n = 0; $n < $count; $n++) {
            $steps[] = ["s{$n}", (float) $random->getInt(5, 45), $random->getInt(0, 9) === 0];
            if ($n > 0 && $random->getInt(0, 9) < 7) {
                $least = (float) $random->getInt(0, 90);
                $lags[] = ['s'.$random->getInt(max(0, $n - 6), $n - 1), "s{$n}", $least, $random->getInt(0, 9) === 0 ? $least + 1800.0 : null];
            }
        }

        return ScheduleTask::of($steps, $lags, array_map(static fn (int $day): array => [1440.0 * $day, 150.0], range(0, $sessions - 1)));
    }
}

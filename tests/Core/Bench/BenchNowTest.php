<?php

declare(strict_types=1);

namespace Tests\Core\Bench;

use Hyalin\Bench\BenchStep;
use Hyalin\Bench\Handling;
use Hyalin\Bench\PlanChanges;
use Hyalin\Bench\ScheduleTask;
use Hyalin\Bench\SequenceTiming;
use Hyalin\Bench\WetPaint;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What is wet, what has changed, what is at hand: rules of common practice, and laws of the times of a sequence.
 */
final class BenchNowTest extends TestCase
{
    /**
     * @param  array<int, BenchStep>  $steps
     * @param  array{int, float}|null  $held
     */
    #[DataProvider('wet')]
    public function test_wet_paint_holds_what_lies_over_it(array $steps, BenchStep $step, float $now, ?array $held): void
    {
        self::assertSame($held, WetPaint::under($steps, $step, $now));
    }

    /** @return iterable<string, array{array<int, BenchStep>, BenchStep, float, array{int, float}|null}> */
    public static function wet(): iterable
    {
        $brush = static fn (string $area, ?float $done = null, int $dry = 30): BenchStep => new BenchStep(StepKind::Brush, [$area], ['p'], $dry, $done);
        yield 'the coat beneath' => [[7 => $brush('a', 100.0)], $brush('a'), 110.0, [7, 130.0]];
        yield 'the coat beneath, dry' => [[7 => $brush('a', 100.0)], $brush('a'), 130.0, null];
        yield 'a coat beside it' => [[7 => $brush('b', 100.0)], $brush('a'), 110.0, null];
        yield 'a prime all over the part' => [[7 => new BenchStep(StepKind::Prime, ['a', 'b'], ['p'], 60, 100.0)], $brush('c'), 110.0, [7, 160.0]];
        yield 'glue on the part' => [[7 => new BenchStep(StepKind::Glue, [], ['p', 'q'], 30, 100.0)], $brush('a'), 110.0, [7, 130.0]];
        yield 'glue elsewhere' => [[7 => new BenchStep(StepKind::Glue, [], ['q'], 30, 100.0)], $brush('a'), 110.0, null];
        yield 'tape waits an hour' => [[7 => $brush('a', 100.0)], new BenchStep(StepKind::Mask, ['a'], ['p'], 0), 140.0, [7, 160.0]];
        yield 'a peel never waits' => [[7 => $brush('a', 100.0)], new BenchStep(StepKind::Peel, ['a'], ['p'], 0), 101.0, null];
        yield 'a wet blend wants it wet' => [[7 => $brush('a', 100.0)], new BenchStep(StepKind::Brush, ['a'], ['p'], 30, null, true), 101.0, null];
        yield 'a mask is no wet paint' => [[7 => new BenchStep(StepKind::Mask, ['a'], ['p'], 15, 100.0)], $brush('a'), 101.0, null];
        yield 'the one that is wet longest' => [[7 => $brush('a', 100.0), 8 => $brush('a', 90.0, 90)], $brush('a'), 110.0, [8, 180.0]];
        yield 'what is still open holds nothing' => [[7 => $brush('a')], $brush('a'), 0.0, null];
    }

    public function test_one_goes_on_where_nothing_before_is_open(): void
    {
        $step = static fn (string $area, string $part, ?float $done = null): BenchStep => new BenchStep(StepKind::Brush, [$area], [$part], 30, $done);
        self::assertSame([2, 4], WetPaint::next([1 => $step('a', 'p', 1.0), 2 => $step('a', 'p'), 3 => $step('b', 'p'), 4 => $step('c', 'q'), 5 => $step('c', 'q')]));
        // Work on no part is told by its areas.
        self::assertSame([1, 2], WetPaint::next([1 => new BenchStep(StepKind::Brush, ['a'], [], 0), 2 => new BenchStep(StepKind::Brush, ['b'], [], 0), 3 => new BenchStep(StepKind::Brush, ['a'], [], 0)]));
        self::assertSame([], WetPaint::next([1 => $step('a', 'p', 1.0)]));
    }

    public function test_a_plan_is_laid_beside_the_run_that_follows_it(): void
    {
        $run = [['prepare 1', '', false], ['layer a', 'red', false], ['layer b', 'blue', true], ['layer c', 'grey', true], ['layer s', 'x', false]];
        $same = PlanChanges::between([['prepare 1', ''], ['layer a', 'red'], ['layer b', 'blue'], ['layer c', 'grey'], ['layer s', 'x']], $run);
        self::assertTrue($same->isEmpty());
        $new = PlanChanges::between([['layer z', 'first'], ['prepare 1', ''], ['layer a', 'green'], ['layer d', 'new'], ['mask layer s', ''], ['layer s', 'x'], ['mask layer b', ''], ['layer b', 'violet']], $run);
        // What is done stays; a mask for a spray that is done is not put on any more.
        self::assertSame([['layer z', null], ['layer d', 'layer a'], ['mask layer b', 'layer s']], $new->added);
        self::assertSame(['layer b'], $new->changed);
        self::assertSame(['layer c'], $new->gone);
        self::assertFalse($new->isEmpty());
    }

    /** Minutes are own estimates; that cleaning is never cheaper than going on is the law. */
    public function test_what_is_put_away_and_taken_up_costs_minutes(): void
    {
        $air = static fn (string $mix, Chemistry $chemistry = Chemistry::Acrylic, string $piece = 'one'): Handling => new Handling('airbrush', $piece, $mix, $chemistry, isAirbrush: true);
        $brush = new Handling('brush', 'one', 'skin', Chemistry::Acrylic);
        self::assertSame(0.0, $air('red')->after($air('red')));
        self::assertSame(3.0, $air('blue')->after($air('red')), 'another colour is flushed');
        self::assertSame(8.0, $air('blue', Chemistry::Lacquer)->after($air('red')), 'another chemistry is cleaned out');
        self::assertSame(5.0, $air('red')->after(null), 'a session begins with setting it up');
        self::assertSame(5.0, $air('red')->after($brush));
        self::assertSame(11.0, $brush->after($air('red')), 'cleaned out, and a new cup');
        self::assertSame(0.0, $brush->after($brush));
        self::assertSame(1.0, $air('red', piece: 'two')->after($air('red')), 'another piece in hand');
        self::assertSame(2.0, (new Handling('files', 'one'))->after($brush), 'another tool');
        $sand = new Handling('files', 'one', makesDust: true);
        $wet = new Handling('brush', 'one', 'skin', leavesWet: true);
        self::assertTrue($sand->clashesWith($wet) && $wet->clashesWith($sand));
        self::assertFalse($sand->clashesWith($sand) || $wet->clashesWith($wet));
        self::assertTrue(Handling::isWet(StepKind::Varnish));
        self::assertFalse(Handling::isWet(StepKind::Glue));
    }

    /** Laws: the times of a sequence keep its order and its lags, none can be earlier, and a longer lag never makes them so. */
    public function test_the_times_of_a_sequence_are_its_earliest(): void
    {
        $timed = 0;
        for ($seed = 1; $seed <= 60; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $count = $random->getInt(2, 7);
            $steps = $lags = $later = [];
            for ($n = 0; $n < $count; $n++) {
                $steps[] = ["s{$n}", (float) $random->getInt(5, 40), false];
                if ($n > 0 && $random->getInt(0, 1) === 1) {
                    $least = (float) $random->getInt(0, 60);
                    $most = $random->getInt(0, 2) === 0 ? $least + 40.0 : null;
                    $lags[] = ["s{$random->getInt(0, $n - 1)}", "s{$n}", $least, $most];
                    $later[] = [$lags[count($lags) - 1][0], "s{$n}", $least + 10.0, $most === null ? null : $most + 10.0];
                }
            }
            $sessions = [[0.0, 150.0], [1440.0, 150.0], [2880.0, 150.0], [4320.0, 150.0]];
            $task = ScheduleTask::of($steps, $lags, $sessions);
            $times = (new SequenceTiming($task))->of(range(0, $count - 1));
            if ($times === null) {
                continue;
            }
            $timed++;
            [$start, $end] = $times;
            for ($n = 1; $n < $count; $n++) {
                self::assertGreaterThanOrEqual($end[$n - 1] - 1e-9, $start[$n]);
            }
            foreach ($task->after as $from => $next) {
                foreach ($next as $to => [$least, $most]) {
                    self::assertGreaterThanOrEqual($end[$from] + $least - 1e-9, $start[$to]);
                    self::assertLessThanOrEqual($end[$from] + ($most ?? INF) + 1e-9, $start[$to]);
                }
            }
            $longer = (new SequenceTiming(ScheduleTask::of($steps, $later, $sessions)))->of(range(0, $count - 1));
            self::assertTrue($longer === null || max(0.0, ...array_values($longer[1])) >= max(0.0, ...array_values($end)) - 1e-9, "seed {$seed}");
            // A step never begins where it could be moved five minutes back with all before it staying.
            self::assertSame($times, (new SequenceTiming($task))->of(range(0, $count - 1)), 'the same each time');
        }
        self::assertGreaterThan(25, $timed);
    }

    public function test_what_is_broken_off_goes_on_around_what_broke_it_off(): void
    {
        $task = ScheduleTask::of([['prime', 20.0, false], ['base', 40.0, false], ['sand', 90.0, true]], [['prime', 'base', 60.0, null]], [[0.0, 120.0], [1440.0, 120.0]]);
        [$start, $end] = (new SequenceTiming($task))->of([0, 2, 1]) ?? [[], []];
        self::assertSame([0 => 0.0, 2 => 20.0, 1 => 80.0], $start);
        // 60 minutes before the base, 30 the next evening.
        self::assertSame(1440.0 + 30.0, $end[2]);
        self::assertNull((new SequenceTiming($task))->of([0, 2, 1, 0, 0, 0, 0, 0, 0, 0]), 'more than the sessions hold');
    }
}

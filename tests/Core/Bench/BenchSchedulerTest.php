<?php

declare(strict_types=1);

namespace Tests\Core\Bench;

use Hyalin\Bench\BenchScheduler;
use Hyalin\Bench\FreeTime;
use Hyalin\Bench\InvalidSchedule;
use Hyalin\Bench\Schedule;
use Hyalin\Bench\ScheduleTask;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Rounds;

final class BenchSchedulerTest extends TestCase
{
    private const ALL_DAY = [[0.0, 100_000.0]];

    /**
     * A project of the textbook kind with its critical path (from memory, as in F. S. Hillier, G. J. Lieberman,
     * Introduction to Operations Research): activities as drying, so that they run side by side; the length is that of
     * the longest chain.
     */
    public function test_the_critical_path_decides_when_waiting_is_all_there_is(): void
    {
        $steps = array_map(static fn (string $id): array => [$id, 0.0, false], ['start', 'a', 'b', 'c', 'd', 'end']);
        $lags = [['start', 'a', 2.0, null], ['a', 'b', 4.0, null], ['b', 'end', 10.0, null], ['start', 'c', 5.0, null], ['c', 'd', 3.0, null], ['d', 'end', 6.0, null], ['a', 'd', 7.0, null]];
        $schedule = BenchScheduler::lay(ScheduleTask::of($steps, $lags, self::ALL_DAY));
        self::assertSame(16.0, $schedule->finish);
        self::assertSame(16.0, $schedule->bound);
    }

    public function test_drying_of_one_piece_is_laid_under_work_on_another(): void
    {
        // Two coats an hour apart on each of three pieces: the waiting of one is the work of the others.
        $steps = $lags = [];
        foreach ([1, 2, 3] as $piece) {
            $steps[] = ["first {$piece}", 30.0, false];
            $steps[] = ["second {$piece}", 30.0, false];
            $lags[] = ["first {$piece}", "second {$piece}", 60.0, null];
        }
        self::assertSame(180.0, BenchScheduler::lay(ScheduleTask::of($steps, $lags, self::ALL_DAY))->finish);
    }

    public function test_a_mask_is_not_left_on_over_a_gap_between_sessions(): void
    {
        // Mask, spray, peel within two hours; only 40 minutes are left of the first evening.
        $steps = [['file', 80.0, false], ['mask', 20.0, false], ['spray', 20.0, false], ['peel', 10.0, false]];
        $lags = [['file', 'mask', 0.0, null], ['mask', 'spray', 10.0, 120.0], ['spray', 'peel', 5.0, 30.0]];
        $task = ScheduleTask::of($steps, $lags, [[0.0, 120.0], [1440.0, 120.0]]);
        $schedule = BenchScheduler::lay($task);
        self::assertSame([1440.0, 1460.0], $schedule->placed[1]);
        self::assertSame(2, $schedule->sessionsUsed);
        self::assertKeeps($task, $schedule);
    }

    public function test_what_may_be_split_goes_on_in_the_next_session(): void
    {
        $schedule = BenchScheduler::lay(ScheduleTask::of([['sand', 150.0, true]], [], [[0.0, 60.0], [100.0, 60.0], [200.0, 60.0]]));
        self::assertSame([[0.0, 230.0]], $schedule->placed);
        self::assertSame(3, $schedule->sessionsUsed);
    }

    /** What still dries from an earlier evening holds its step up, and nothing else. */
    public function test_a_step_waits_for_what_was_done_before_and_the_others_do_not(): void
    {
        $steps = [['wet', 20.0, false], ['free', 30.0, false]];
        $schedule = BenchScheduler::lay(ScheduleTask::of($steps, [], [[0.0, 120.0]], ['wet' => 45.0]));
        self::assertSame([[45.0, 65.0], [0.0, 30.0]], [$schedule->placed[0], $schedule->placed[1]]);
        self::assertSame(65.0, $schedule->bound);
        // Longer than the session lasts: the next one.
        $late = BenchScheduler::lay(ScheduleTask::of($steps, [], [[0.0, 120.0], [1440.0, 60.0]], ['wet' => 110.0]));
        self::assertSame([1440.0, 1460.0], $late->placed[0]);
        $this->expectException(InvalidSchedule::class);
        ScheduleTask::of($steps, [], [[0.0, 120.0]], ['dry' => 1.0]);
    }

    public function test_free_time_is_cut_and_looked_into(): void
    {
        $free = new FreeTime([[0.0, 60.0], [100.0, 160.0]]);
        self::assertSame([[30.0, 60.0], [100.0, 120.0]], $free->within(30.0, 120.0));
        self::assertSame([], $free->within(60.0, 100.0));
        self::assertSame([[0.0, 30.0], [120.0, 160.0]], $free->without(30.0, 120.0)->stretches);
        self::assertSame([30.0, 110.0], $free->earliest(30.0, 40.0, true));
        self::assertSame([100.0, 140.0], $free->earliest(30.0, 40.0, false));
        self::assertNull($free->earliest(0.0, 200.0, true));
    }

    /** Laws: no lag broken, no two steps at once, nothing outside the sessions, never before the bound. */
    public function test_every_schedule_keeps_its_lags_and_sessions(): void
    {
        for ($seed = 1; $seed <= Rounds::of(20, 40); $seed++) {
            $task = self::task($seed, 4 + $seed % 20, 30);
            $schedule = BenchScheduler::lay($task);
            self::assertCount(count($task->ids), $schedule->placed);
            self::assertGreaterThanOrEqual($schedule->bound - 1e-9, $schedule->finish);
            self::assertKeeps($task, $schedule);
        }
    }

    /** Small ones are solved to the end: no order of placing finishes earlier, and more hours never finish later. */
    public function test_up_to_seven_steps_none_is_better_and_more_hours_never_hurt(): void
    {
        for ($seed = 1; $seed <= 12; $seed++) {
            $finish = INF;
            foreach ([10, 14, 20] as $sessions) {
                $next = BenchScheduler::lay(self::task($seed, 5, $sessions, windows: false))->finish;
                self::assertLessThanOrEqual($finish + 1e-9, $next);
                $finish = $next;
            }
            // The painter's hours doubled: each session lasts twice as long.
            $longer = self::task($seed, 5, 20, windows: false, minutes: 240.0);
            self::assertLessThanOrEqual($finish + 1e-9, BenchScheduler::lay($longer)->finish);
        }
    }

    public function test_many_steps_come_near_the_bound(): void
    {
        $task = self::task(7, Rounds::of(90, 150), 90, windows: false);
        $schedule = BenchScheduler::lay($task);
        self::assertKeeps($task, $schedule);
        self::assertLessThan(1.1 * $schedule->bound + 1440, $schedule->finish);
    }

    /**
     * @param  list<array{string, float, bool}>  $steps
     * @param  list<array{string, string, float, float|null}>  $lags
     * @param  list<array{float, float}>  $sessions
     */
    #[DataProvider('impossible')]
    public function test_what_cannot_be_laid_is_said(array $steps, array $lags, array $sessions, string $words): void
    {
        $this->expectException(InvalidSchedule::class);
        $this->expectExceptionMessage($words);
        BenchScheduler::lay(ScheduleTask::of($steps, $lags, $sessions));
    }

    /** @return iterable<string, array{list<array{string, float, bool}>, list<array{string, string, float, float|null}>, list<array{float, float}>, string}> */
    public static function impossible(): iterable
    {
        $two = [['a', 30.0, false], ['b', 30.0, false]];
        yield 'longer than any session' => [[['a', 90.0, false]], [], [[0.0, 60.0]], 'allow it to be split'];
        yield 'more work than time' => [$two, [], [[0.0, 40.0]], '"b". All steps take 60 minutes, the sessions have 40'];
        yield 'dries past the end' => [$two, [['a', 'b', 500.0, null]], [[0.0, 120.0]], 'past the last session'];
        yield 'a circle' => [$two, [['a', 'b', 0.0, null], ['b', 'a', 0.0, null]], [[0.0, 120.0]], '"a" before "b" before "a"'];
        yield 'an empty window' => [$two, [['a', 'b', 60.0, 30.0]], [[0.0, 120.0]], 'the window is empty'];
        yield 'an unknown step' => [$two, [['a', 'c', 1.0, null]], [[0.0, 120.0]], 'names "c"'];
        yield 'sessions that overlap' => [$two, [], [[0.0, 120.0], [60.0, 60.0]], 'session 2 begins before'];
        yield 'no sessions' => [$two, [], [], 'there are no sessions'];
    }

    private static function task(int $seed, int $count, int $sessions, bool $windows = true, float $minutes = 120.0): ScheduleTask
    {
        $random = new Randomizer(new Mt19937($seed));
        $steps = $lags = $evenings = [];
        for ($n = 0; $n < $count; $n++) {
            $steps[] = ["s{$n}", (float) $random->getInt(5, 45), $random->getInt(0, 9) === 0];
            if ($n > 0 && $random->getInt(0, 9) < 7) {
                $least = (float) $random->getInt(0, 90);
                $lags[] = ['s'.$random->getInt(max(0, $n - 6), $n - 1), "s{$n}", $least, $windows && $random->getInt(0, 9) === 0 ? $least + 1800.0 : null];
            }
        }
        for ($day = 0; $day < $sessions; $day++) {
            $evenings[] = [1440.0 * $day, $minutes];
        }

        return ScheduleTask::of($steps, $lags, $evenings);
    }

    private static function assertKeeps(ScheduleTask $task, Schedule $schedule): void
    {
        foreach ($task->after as $from => $next) {
            foreach ($next as $to => [$least, $most]) {
                $lag = $schedule->placed[$to][0] - $schedule->placed[$from][1];
                self::assertGreaterThanOrEqual($least - 1e-6, $lag);
                if ($most !== null) {
                    self::assertLessThanOrEqual($most + 1e-6, $lag);
                }
            }
        }
        $spans = $schedule->placed;
        usort($spans, static fn (array $p, array $q): int => $p[0] <=> $q[0]);
        foreach ($spans as $n => [$start, $end]) {
            // What is split spans the night, and nothing else is begun before it goes on.
            self::assertLessThanOrEqual($spans[$n + 1][0] ?? INF, $end - 1e-6 - max(0.0, $end - $start));
            $inside = array_filter($task->sessions, static fn (array $s): bool => $start >= $s[0] - 1e-6 && $start <= $s[1] + 1e-6);
            self::assertNotSame([], $inside);
        }
        foreach ($schedule->placed as $place => [$start, $end]) {
            if (! $task->splittable[$place]) {
                self::assertEqualsWithDelta($task->minutes[$place], $end - $start, 1e-6);
                foreach ($schedule->placed as $other => [$s, $e]) {
                    self::assertTrue($other === $place || $task->splittable[$other] || $s >= $end - 1e-6 || $e <= $start + 1e-6 || $task->minutes[$other] === 0.0);
                }
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Bench;

use Hyalin\Bench\BenchScheduler;
use Hyalin\Bench\Handling;
use Hyalin\Bench\InvalidSchedule;
use Hyalin\Bench\ScheduleTask;
use Hyalin\Pot\Chemistry;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Rounds;

/**
 * Schedules against an independent solver: MiniZinc with Gecode (Debian's minizinc), which is given the problem as it is
 * stated in tests/data/bench-schedule.mzn and proves its answer.
 */
final class IndependentSolverTest extends TestCase
{
    public function test_none_is_refused_that_can_be_laid_and_none_finishes_later(): void
    {
        $laid = $refused = 0;
        for ($seed = 1; $seed <= Rounds::of(70, 200); $seed++) {
            [$steps, $lags, $sessions] = self::instance($seed, 4 + $seed % 3);
            $best = self::solved($steps, $lags, $sessions);
            try {
                $finish = BenchScheduler::lay(ScheduleTask::of($steps, $lags, $sessions))->finish;
                self::assertSame($best, $finish, "seed {$seed}");
                $laid++;
            } catch (InvalidSchedule) {
                self::assertNull($best, "seed {$seed} is refused and can be laid");
                $refused++;
            }
        }
        // Both kinds are among them.
        self::assertGreaterThan(Rounds::of(35, 100), $laid);
        self::assertGreaterThan(Rounds::of(0, 2), $refused);
    }

    /** 40 + 30 + 40 + 30 + 20 minutes are 160: longer than the first two sessions, and not than the third. */
    public function test_a_chain_waits_for_the_session_that_is_long_enough(): void
    {
        $task = ScheduleTask::of(
            [['a', 40.0, false], ['b', 40.0, false], ['c', 20.0, false]],
            [['a', 'b', 30.0, 90.0], ['b', 'c', 30.0, 60.0]],
            [[0.0, 150.0], [1440.0, 150.0], [2880.0, 180.0]],
        );
        self::assertSame([[2880.0, 2920.0], [2950.0, 2990.0], [3020.0, 3040.0]], BenchScheduler::lay($task)->placed);
    }

    /** The airbrush is set up once, its colours follow each other, and the brush takes over while they dry. */
    public function test_a_session_has_a_shape(): void
    {
        $spray = static fn (string $piece, string $mix): Handling => new Handling('airbrush', $piece, $mix, Chemistry::Acrylic, isAirbrush: true, leavesWet: true);
        $brush = static fn (string $piece, string $mix): Handling => new Handling('brush', $piece, $mix, Chemistry::Acrylic, leavesWet: true);
        $steps = $hands = [];
        foreach ([['a', $spray('one', 'red')], ['b', $brush('one', 'skin')], ['c', $spray('two', 'red')], ['d', $brush('two', 'skin')], ['e', $spray('one', 'blue')]] as [$id, $hand]) {
            $steps[] = [$id, 10.0, false];
            $hands[$id] = $hand;
        }
        $schedule = BenchScheduler::lay(ScheduleTask::of($steps, [], [[0.0, 300.0]], [], $hands));
        $starts = array_column($schedule->placed, 0);
        asort($starts);
        $tools = implode(' ', array_map(static fn (int $n): string => array_values($hands)[$n]->tool.':'.array_values($hands)[$n]->mix, array_keys($starts)));
        self::assertContains($tools, [
            'brush:skin brush:skin airbrush:red airbrush:red airbrush:blue', 'brush:skin brush:skin airbrush:blue airbrush:red airbrush:red',
            'airbrush:red airbrush:red airbrush:blue brush:skin brush:skin', 'airbrush:blue airbrush:red airbrush:red brush:skin brush:skin',
        ]);
        // Dust and wet paint are never in one sitting, whatever that costs.
        $sand = new Handling('files', 'one', makesDust: true);
        $apart = BenchScheduler::lay(ScheduleTask::of([['sand', 30.0, false], ['coat', 10.0, false]], [], [[0.0, 120.0], [1440.0, 120.0]], [], ['sand' => $sand, 'coat' => $brush('two', 'skin')]));
        $days = array_map(static fn (array $p): int => intdiv((int) $p[0], 1440), $apart->placed);
        sort($days);
        self::assertSame([0, 1], $days);
        self::assertSame(2, $apart->sessionsUsed);
    }

    /** @return array{non-empty-list<array{string, float, bool}>, list<array{string, string, float, float|null}>, non-empty-list<array{float, float}>} */
    private static function instance(int $seed, int $count): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $steps = [['s0', (float) $random->getInt(5, 45), false]];
        $lags = [];
        for ($n = 1; $n < $count; $n++) {
            $steps[] = ["s{$n}", (float) $random->getInt(5, 45), false];
            if ($random->getInt(0, 9) < 7) {
                $least = (float) $random->getInt(0, 90);
                $lags[] = ['s'.$random->getInt(max(0, $n - 6), $n - 1), "s{$n}", $least, $random->getInt(0, 2) === 0 ? $least + $random->getInt(0, 90) : null];
            }
        }
        $sessions = [];
        for ($day = 0; $day < 6; $day++) {
            $sessions[] = [1440.0 * $day, 10.0 * $random->getInt(6, 16)];
        }

        return [$steps, $lags, $sessions];
    }

    /**
     * @param  non-empty-list<array{string, float, bool}>  $steps
     * @param  list<array{string, string, float, float|null}>  $lags
     * @param  non-empty-list<array{float, float}>  $sessions
     * @return float|null finish; null when it is proven that they cannot be laid
     */
    private static function solved(array $steps, array $lags, array $sessions): ?float
    {
        $place = array_flip(array_column($steps, 0));
        $data = ['n' => count($steps), 'm' => count($sessions), 'k' => count($lags)];
        $data['minutes'] = array_map(intval(...), array_column($steps, 1));
        $data['opens'] = array_map(static fn (array $s): int => (int) $s[0], $sessions);
        $data['closes'] = array_map(static fn (array $s): int => (int) ($s[0] + $s[1]), $sessions);
        $data['before'] = array_map(static fn (array $l): int => $place[$l[0]] + 1, $lags);
        $data['after'] = array_map(static fn (array $l): int => $place[$l[1]] + 1, $lags);
        $data['least'] = array_map(static fn (array $l): int => (int) $l[2], $lags);
        $data['most'] = array_map(static fn (array $l): int => (int) ($l[3] ?? -1), $lags);
        $words = implode('', array_map(static fn (string $name, mixed $value): string => "{$name}=".json_encode($value, JSON_THROW_ON_ERROR).';', array_keys($data), $data));
        $file = tempnam(sys_get_temp_dir(), 'bench').'.dzn';
        file_put_contents($file, $words);
        $answer = (string) shell_exec('minizinc --solver gecode '.escapeshellarg(dirname(__DIR__, 2).'/data/bench-schedule.mzn').' '.escapeshellarg($file).' 2>/dev/null');
        unlink($file);
        if (str_contains($answer, '=====UNSATISFIABLE=====')) {
            return null;
        }
        self::assertStringContainsString('==========', $answer, 'the solver proves its answer');
        self::assertSame(1, preg_match('/(\d+)\s+-+\s+=+\s*\z/', $answer, $found), $answer);

        return (float) ($found[1] ?? '');
    }
}

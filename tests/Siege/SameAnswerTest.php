<?php

declare(strict_types=1);

namespace Tests\Siege;

use Hyalin\InvalidInput;
use InvalidArgumentException;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;
use Tests\Support\Questions;

/**
 * The same question has the same answer, bit for bit: in any process, after any other question. Ten rounds in bin/test, a hundred in
 * bin/siege; a round asks every question in another order, about a fixed input and a drawn one.
 */
final class SameAnswerTest extends TestCase
{
    private const FIXED = 1;

    public function test_the_same_question_has_the_same_answer_whatever_was_asked_before(): void
    {
        $rounds = (int) getenv('SIEGE') >= 1000 ? 100 : 10;
        $random = new Randomizer(new Mt19937($dice = (int) (getenv('SIEGE_SEED') ?: 2026)));
        $asked = [];
        foreach (array_keys(Questions::all()) as $name) {
            foreach ([self::FIXED, $random->getInt(100, 100_000)] as $seed) {
                $asked["{$name} {$seed}"] = [$name, $seed];
            }
        }
        $first = $wrong = [];
        for ($round = 1; $round <= $rounds; $round++) {
            foreach ($random->shuffleArray(array_keys($asked)) as $key) {
                $bits = self::answer(...$asked[$key]);
                if ($bits !== ($first[$key] ??= $bits)) {
                    $wrong["{$key}, dice {$dice}"] ??= "answered otherwise in round {$round}";
                }
            }
        }
        self::assertSame([], $wrong);
        self::assertEquals($this->interpreted($asked), $first);
    }

    /** A worker that is asked to end handles the signal in the midst of a calculation. */
    public function test_a_signal_that_is_handled_meanwhile_changes_no_answer(): void
    {
        $answers = static fn (): array => array_map(static fn (string $name): string => self::answer($name, self::FIXED), array_keys(Questions::all()));
        $quiet = $answers();
        $handled = 0;
        pcntl_async_signals(true);
        pcntl_signal(SIGUSR1, static function () use (&$handled): void {
            $handled++;
        });
        $sender = new Process([PHP_BINARY, '-r', 'while (posix_kill((int) $argv[1], SIGUSR1)) { usleep(500); }', (string) getmypid()], null, null, null, 600);
        try {
            $sender->start();
            self::assertSame($quiet, $answers());
        } finally {
            $sender->stop(0);
            pcntl_signal(SIGUSR1, SIG_DFL);
            pcntl_async_signals(false);
        }
        self::assertGreaterThan(100, $handled);
    }

    /**
     * Asked once more, in another order, by a process that compiles nothing.
     *
     * @param  array<string, array{string, int}>  $asked
     * @return array<string, string>
     */
    private function interpreted(array $asked): array
    {
        $script = 'require "vendor/autoload.php"; foreach (json_decode($argv[1], true) as $key => [$name, $seed]) { echo $key, "=", Tests\Siege\SameAnswerTest::answer($name, $seed), "\n"; }';
        $process = new Process([PHP_BINARY, '-d', 'opcache.jit=off', '-r', $script, json_encode(array_reverse($asked), JSON_THROW_ON_ERROR)], dirname(__DIR__, 2), null, null, 600);
        $answers = [];
        foreach (explode("\n", trim($process->mustRun()->getOutput())) as $line) {
            [$key, $bits] = explode('=', $line);
            $answers[$key] = $bits;
        }

        return $answers;
    }

    /** A refusal is an answer, too. */
    public static function answer(string $name, int $seed): string
    {
        try {
            return Questions::bits((Questions::all()[$name] ?? throw new InvalidArgumentException("no question is called {$name}"))($seed));
        } catch (InvalidInput $e) {
            return $e::class;
        }
    }
}

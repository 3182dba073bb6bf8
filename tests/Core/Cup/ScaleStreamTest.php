<?php

declare(strict_types=1);

namespace Tests\Core\Cup;

use Hyalin\Cup\ScaleState;
use Hyalin\Cup\ScaleStream;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ScaleStreamTest extends TestCase
{
    public function test_drops_are_counted_through_noise_drift_gaps_and_elbows(): void
    {
        for ($seed = 1; $seed <= 20; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $stream = ScaleStream::from(12.0);
            $true = 0.0;
            $creep = 0.0;
            for ($n = 0; $n < 240; $n++) {
                // A drop of 0.06 g every twelve readings.
                if ($n % 12 === 6) {
                    $true += 0.06;
                }
                $creep += 0.0002;
                $noise = $random->getInt(-2000, 2000) / 1_000_000;
                $stream = match (true) {
                    $random->getInt(1, 30) === 1 => $stream->read(null),
                    $n % 67 === 40 => $stream->read(12.0 + $true + $creep + 3.0),
                    default => $stream->read(12.0 + $true + $creep + $noise),
                };
            }
            self::assertEqualsWithDelta($true, $stream->counted, 0.03, "seed {$seed}");
            self::assertGreaterThan(0, $stream->missing);
            // One elbow may fall on a reading that never came.
            self::assertContains($stream->jumps, [2, 3]);
            self::assertEqualsWithDelta($creep, $stream->drift, 0.03);
        }
    }

    public function test_the_states_are_told_apart(): void
    {
        $stream = ScaleStream::from(10.0)->read(10.0)->read(10.001);
        self::assertSame(ScaleState::Steady, $stream->state);
        $filling = $stream->read(10.06);
        self::assertSame([ScaleState::Filling, 0.0], [$filling->state, round($filling->counted, 6)]);
        $settled = $filling->read(10.061)->read(10.06);
        self::assertSame(ScaleState::Steady, $settled->state);
        self::assertEqualsWithDelta(0.06, $settled->counted, 0.001);
        self::assertSame(ScaleState::Missing, $settled->read(null)->state);
        self::assertSame(ScaleState::Missing, $settled->read(NAN)->state);
        $leaning = $settled->read(14.0)->read(14.2);
        self::assertSame([ScaleState::Jumped, 1], [$leaning->state, $leaning->jumps]);
        // The elbow goes, and nothing of it was counted.
        self::assertEqualsWithDelta(0.06, $leaning->read(10.06)->read(10.06)->read(10.061)->counted, 0.002);
        // Some is taken out again.
        self::assertEqualsWithDelta(0.0, $settled->read(10.0)->read(10.0)->read(10.0)->counted, 0.002);
    }
}

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

    /** By the limits that the class states: half a drop is 0.02 g, no drop has more than 0.6 g, readings within 0.008 g agree. */
    public function test_what_is_a_drop_what_is_drift_and_what_is_an_elbow(): void
    {
        $settled = static fn (float $grams): ScaleStream => ScaleStream::from(10.0)->read($grams)->read($grams)->read($grams);
        self::assertEqualsWithDelta([0.0, 0.019], [$settled(10.019)->counted, $settled(10.019)->drift], 1e-9);
        self::assertEqualsWithDelta([0.021, 0.0], [$settled(10.021)->counted, $settled(10.021)->drift], 1e-9);
        self::assertEqualsWithDelta([0.59, 0], [$settled(10.59)->counted, $settled(10.59)->jumps], 1e-9);
        self::assertEqualsWithDelta([0.0, 1], [$settled(10.61)->counted, $settled(10.61)->jumps], 1e-9);
        // Poured on and on: more than any drop, but no reading far from the one before.
        $poured = ScaleStream::from(10.0)->read(10.5)->read(11.05);
        self::assertSame([ScaleState::Filling, 0], [$poured->state, $poured->jumps]);
        self::assertEqualsWithDelta(1.05, $poured->read(11.05)->read(11.05)->counted, 1e-9);
        // And back to where it was: no elbow either.
        self::assertSame([ScaleState::Filling, 0], [$poured->read(10.0)->state, $poured->read(10.0)->jumps]);
        // Readings 0.009 g apart do not settle.
        self::assertSame(ScaleState::Filling, ScaleStream::from(10.0)->read(10.3)->read(10.309)->read(10.3)->state);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Matching;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Matching\Comparison\Consistency;
use Hyalin\Matching\Sampling\InvalidSample;
use PHPUnit\Framework\TestCase;

final class ConsistencyTest extends TestCase
{
    public function test_equal_pieces_have_no_spread_and_two_have_no_odd_one(): void
    {
        $same = Consistency::of(array_fill(0, 6, Lab::of(52.0, 10.0, 30.0)));
        self::assertSame(0.0, $same->spread);
        self::assertNull($same->outlier);
        self::assertNull(Consistency::of([Lab::of(30.0, 0.0, 0.0), Lab::of(70.0, 0.0, 0.0)])->outlier);
    }

    public function test_the_spread_is_the_mean_difference_from_the_mean(): void
    {
        $pieces = [Lab::of(50.0, 8.0, 20.0), Lab::of(52.0, 9.0, 22.0), Lab::of(51.0, 7.0, 21.0)];
        $found = Consistency::of($pieces);
        self::assertEqualsWithDelta([51.0, 8.0, 21.0], $found->mean->toArray(), 1e-12);
        $by = array_map(static fn (Lab $p): float => DifferenceFormula::Ciede2000->between(Lab::of(51.0, 8.0, 21.0), $p), $pieces);
        self::assertEqualsWithDelta(array_sum($by) / 3, $found->spread, 1e-12);
        self::assertEqualsWithDelta($by, $found->differences, 1e-12);
    }

    public function test_the_one_that_stands_out_is_named_with_what_it_differs_by(): void
    {
        $pieces = [Lab::of(50.0, 8.0, 20.0), Lab::of(50.4, 8.2, 20.5), Lab::of(49.7, 7.9, 19.8), Lab::of(44.0, 8.0, 20.0), Lab::of(50.1, 8.1, 20.2)];
        $found = Consistency::of($pieces);
        self::assertSame(3, $found->outlier);
        self::assertGreaterThan(4.0, $found->outlierBy);
        self::assertEqualsWithDelta(-6.05, $found->outlierShift[0] ?? 0.0, 0.01);
        // In whatever order they are read, it is the same piece.
        self::assertSame(1, Consistency::of(array_reverse($pieces))->outlier);
    }

    public function test_a_spread_that_all_share_has_no_odd_one_out(): void
    {
        self::assertNull(Consistency::of(array_map(static fn (float $l): Lab => Lab::of($l, 8.0, 20.0), [44.0, 47.0, 50.0, 53.0, 56.0]))->outlier);
    }

    public function test_one_piece_cannot_be_compared(): void
    {
        $this->expectException(InvalidSample::class);
        $this->expectExceptionMessage('1 pieces were read');
        Consistency::of([Lab::of(50.0, 0.0, 0.0)]);
    }
}

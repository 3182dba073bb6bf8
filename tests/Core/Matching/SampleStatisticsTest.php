<?php

declare(strict_types=1);

namespace Tests\Core\Matching;

use Hyalin\Colour\Srgb;
use Hyalin\Matching\Sampling\InvalidSample;
use Hyalin\Matching\Sampling\SampleStatistics;
use PHPUnit\Framework\TestCase;

final class SampleStatisticsTest extends TestCase
{
    public function test_half_black_and_half_white_is_the_mean_of_light_and_not_of_codes(): void
    {
        $sample = SampleStatistics::of([...array_fill(0, 50, 0x000000), ...array_fill(0, 50, 0xFFFFFF)]);
        // Y = 50: code 188, where the mean of the codes would be 128.
        self::assertSame('#bcbcbc', $sample->colour->toXyz()->toSrgb()->toHex());
        self::assertSame(1.0, $sample->clipped);
        self::assertGreaterThan(20, $sample->spread);
    }

    public function test_a_glint_and_a_speck_do_not_decide(): void
    {
        $even = array_fill(0, 90, 0x8A5126);
        $sample = SampleStatistics::of([...$even, ...array_fill(0, 5, 0xFFFFFF), ...array_fill(0, 5, 0x000000)]);
        self::assertEqualsWithDelta(Srgb::hex('#8a5126')->toXyz()->toLab()->toArray(), $sample->colour->toArray(), 1e-9);
        self::assertEqualsWithDelta(0.0, $sample->spread, 1e-9);
        self::assertSame(100, $sample->pixels);
    }

    public function test_a_sample_without_pixels_is_refused(): void
    {
        $this->expectException(InvalidSample::class);
        SampleStatistics::of([]);
    }
}

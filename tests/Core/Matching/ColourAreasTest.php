<?php

declare(strict_types=1);

namespace Tests\Core\Matching;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Sampling\ColourArea;
use Hyalin\Matching\Sampling\ColourAreas;
use Hyalin\Matching\Sampling\InvalidSample;
use PHPUnit\Framework\TestCase;
use Tests\Support\PaintedFigure;
use Tests\Support\Rounds;

/**
 * Against pictures whose bodies and paints are known, made by the tests' own renderer.
 */
final class ColourAreasTest extends TestCase
{
    public function test_the_areas_of_pictures_that_nobody_has_seen_are_found_with_their_colours(): void
    {
        $pure = $covered = $bodies = $near = $twice = 0;
        for ($seed = 100; $seed < 100 + Rounds::of(10, 20); $seed++) {
            $picture = PaintedFigure::of($seed);
            $areas = ColourAreas::of(PaintedFigure::WIDTH, $picture->packed)->areas;
            $seen = array_count_values($picture->truth);
            $found = [];
            foreach ($areas as $area) {
                $of = array_count_values(array_map(static fn (int $p): int => $picture->truth[$p], $area->pixels));
                arsort($of);
                $body = array_key_first($of);
                $pure += reset($of) > 0.85 * count($area->pixels) && $body > 0 ? 1 : 0;
                $twice += isset($found[$body]) ? 1 : 0;
                if ($body > 0) {
                    $found[$body] = max($found[$body] ?? 0, reset($of));
                    $near += DifferenceFormula::Ciede2000->between($area->mid(), $picture->paints[$body - 1]) < 12 ? 1 : 0;
                }
            }
            $covered += count(array_filter($found, static fn (int $pixels, int $body): bool => $pixels > 0.7 * $seen[$body], ARRAY_FILTER_USE_BOTH));
            $bodies += count(array_filter($seen, static fn (int $pixels, int $body): bool => $body > 0 && $pixels > 500, ARRAY_FILTER_USE_BOTH));
            self::assertLessThan(13, count($areas));
        }
        // A grey body before a grey backdrop may go with it.
        self::assertGreaterThan(0.75 * $bodies, $covered, "{$covered} of {$bodies} bodies");
        self::assertGreaterThan(0.85 * ($covered + $twice), $pure, "{$pure} pure");
        self::assertGreaterThan(0.8 * ($covered + $twice), $near, "{$near} near");
        self::assertLessThan(0.2 * $bodies, $twice, "{$twice} twice");
    }

    public function test_zones_rise_in_lightness_and_their_spots_show_them(): void
    {
        $picture = PaintedFigure::of(7);
        $found = ColourAreas::of(PaintedFigure::WIDTH, $picture->packed);
        self::assertEqualsWithDelta(1.0, array_sum(array_map(static fn (ColourArea $a): float => $a->share, $found->areas)), 0.06);
        foreach ($found->areas as $area) {
            $before = -1.0;
            foreach ($area->ramp as [$colour, $x, $y]) {
                self::assertGreaterThan($before, $colour->lightness);
                $before = $colour->lightness;
                $pixel = (int) floor($y * PaintedFigure::HEIGHT) * PaintedFigure::WIDTH + (int) floor($x * PaintedFigure::WIDTH);
                self::assertContains($pixel, $area->pixels);
            }
        }
        // Two together have the pixels of both, and lie between them.
        [$one, $two] = $found->areas;
        $both = $found->together([0, 1]);
        self::assertCount(count($one->pixels) + count($two->pixels), $both->pixels);
        self::assertEqualsWithDelta($one->share + $two->share, $both->share, 0.01);
        $mids = [$one->ramp[Zone::Recess->value][0]->lightness, $two->ramp[Zone::Recess->value][0]->lightness];
        self::assertGreaterThanOrEqual(min($mids) - 1, $both->ramp[Zone::Recess->value][0]->lightness);
        self::assertLessThanOrEqual(max($mids) + 1, $both->ramp[Zone::Recess->value][0]->lightness);
    }

    public function test_a_picture_of_nothing_is_refused_and_one_without_backdrop_is_all_figure(): void
    {
        $halves = [];
        for ($p = 0; $p < 60 * 60; $p++) {
            $halves[] = $p % 60 < 30 ? 0xA03020 : 0x2050A0;
        }
        self::assertEqualsWithDelta([0.5, 0.5], array_map(static fn (ColourArea $a): float => $a->share, ColourAreas::of(60, $halves)->areas), 0.01);
        // Of one tone: its middle alone.
        self::assertSame(['mid'], array_keys(ColourAreas::of(60, $halves)->areas[0]->ramp));
        $this->expectException(InvalidSample::class);
        ColourAreas::of(2, [0, 0, 0, 0]);
    }
}

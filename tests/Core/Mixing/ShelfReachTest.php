<?php

declare(strict_types=1);

namespace Tests\Core\Mixing;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Mixing\MissingPaint;
use Hyalin\Mixing\ShelfReach;
use Hyalin\Mixing\Task\InvalidMixTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\TestCase;
use Tests\Support\InventedShelf;

final class ShelfReachTest extends TestCase
{
    public function test_every_mix_of_two_is_within_reach_and_more_pots_never_reach_less(): void
    {
        $shelf = new InventedShelf(17);
        $paints = $shelf->paints(16);
        foreach ([Placement::masstone(), InventedShelf::filmOverGrey()] as $placement) {
            $small = ShelfReach::of(array_slice($paints, 0, 8), $placement);
            $large = ShelfReach::of($paints, $placement);
            foreach ($small->farthest as $cell => [, $a, $b]) {
                self::assertArrayHasKey($cell, $large->farthest);
                self::assertGreaterThanOrEqual(hypot($a, $b) - 1e-9, hypot($large->farthest[$cell][1], $large->farthest[$cell][2]));
            }
            foreach ($shelf->reachableTargets($paints, MixTask::of(Lab::of(50, 0, 0), $placement), 30) as $target) {
                self::assertLessThanOrEqual($small->nearest($target)[1] + 1e-9, $large->nearest($target)[1]);
            }
            [$lab, $difference] = $large->nearest(Lab::of(...array_values($large->farthest)[0]));
            self::assertEqualsWithDelta(0.0, $difference, 1e-9);
            self::assertSame(array_values($large->farthest)[0], $lab->toArray());
        }
    }

    public function test_a_shelf_without_red_says_so(): void
    {
        $reach = ShelfReach::of([self::paint('#f4f3ee'), self::paint('#1b1b1d'), self::paint('#2f5d9a'), self::paint('#e8c23a')], Placement::masstone());
        $red = Srgb::hex('#c01818')->toXyz()->toLab();
        [$nearest, $difference] = $reach->nearest($red);
        self::assertGreaterThan(MissingPaint::OUT_OF_REACH, $difference);
        self::assertStringContainsString('red', implode(' ', MissingPaint::from($red, $nearest, $difference)->wanted));
        // Yellow and blue give green: that sector is reached without a green pot.
        $green = array_filter($reach->farthest, static fn (array $lab): bool => $lab[1] < -15 && $lab[2] > 5);
        self::assertNotSame([], $green);
        $this->expectException(InvalidMixTask::class);
        ShelfReach::of([], Placement::masstone());
    }

    public function test_doubles_are_alike_in_every_way_they_are_painted(): void
    {
        $placements = [Placement::masstone(), InventedShelf::filmOverGrey()];
        $one = self::paint('#7a5a3a');
        // As dark when thick, but a wash: no double.
        $wash = $one->scaled(0.1);
        $nearly = self::paint('#7b5b3b');
        $doubles = ShelfReach::doubles([$one, self::paint('#2f5d9a'), $wash, $nearly, $one], $placements);
        self::assertSame([[0, 4], [0, 3], [3, 4]], array_map(static fn (array $d): array => [$d[0], $d[1]], $doubles));
        self::assertSame(0.0, $doubles[0][2]);
    }

    private static function paint(string $hex): PaintOptics
    {
        return PaintEstimate::fromColour(Srgb::hex($hex), Opacity::TwoCoats, TintingStrength::Usual);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Colour;

use Hyalin\Colour\ColourShift;
use Hyalin\Colour\Lab;
use PHPUnit\Framework\TestCase;

final class ColourShiftTest extends TestCase
{
    public function test_each_way_moves_one_thing_by_what_was_asked_and_its_opposite_takes_it_back(): void
    {
        foreach ([[50.0, 20.0, -30.0], [30.0, -8.0, 15.0], [70.0, 1.0, 2.0]] as $colour) {
            $lab = Lab::of(...$colour);
            foreach ([[ColourShift::Lighter, ColourShift::Darker], [ColourShift::Warmer, ColourShift::Cooler], [ColourShift::Stronger, ColourShift::Duller]] as [$there, $back]) {
                self::assertEqualsWithDelta($colour, $back->of($there->of($lab, 6.0), 6.0)->toArray(), 1e-9, $there->value);
            }
            self::assertEqualsWithDelta($lab->lightness + 10, ColourShift::Lighter->of($lab, 10.0)->lightness, 1e-12);
            $stronger = ColourShift::Stronger->of($lab, 8.0)->toLch();
            self::assertEqualsWithDelta([$lab->lightness, $lab->toLch()->chroma + 8, $lab->toLch()->hue], [$stronger->lightness, $stronger->chroma, $stronger->hue], 1e-9);
            // Warmer is nearer to orange, and no lighter.
            $orange = Lab::of($lab->lightness, 30.0, 52.0);
            $off = static fn (Lab $p): float => hypot($p->a - $orange->a, $p->b - $orange->b);
            self::assertLessThan($off($lab), $off(ColourShift::Warmer->of($lab, 5.0)));
        }
    }

    public function test_nothing_leaves_what_lightness_and_chroma_can_be(): void
    {
        self::assertSame(100.0, ColourShift::Lighter->of(Lab::of(95, 1, 1), 20.0)->lightness);
        self::assertSame(0.0, ColourShift::Darker->of(Lab::of(5, 1, 1), 20.0)->lightness);
        $grey = ColourShift::Duller->of(Lab::of(50, 3, 4), 20.0);
        self::assertEqualsWithDelta([50.0, 0.0, 0.0], $grey->toArray(), 1e-12);
        self::assertSame([50.0, 0.0, 0.0], ColourShift::Stronger->of(Lab::of(50, 0, 0), 8.0)->toArray());
    }
}

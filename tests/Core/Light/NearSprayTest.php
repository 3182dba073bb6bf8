<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Light\Exposure;
use Hyalin\Light\Gradient;
use Hyalin\Light\InvalidLight;
use Hyalin\Light\NozzleSpray;
use Hyalin\Light\SprayCone;
use Hyalin\Light\Visibility;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * A spray from a place near by, against closed forms of a point source, and gradients.
 */
final class NearSprayTest extends TestCase
{
    /** Over a plane a point source at height D gives cos3 of its angle (handbook of radiometry: the inverse square and the cosine law). */
    public function test_a_plane_under_a_nozzle_receives_what_a_point_source_gives(): void
    {
        $plane = Shapes::land(-60.0, 60.0, -60.0, 60.0, 60, 60, static fn (): float => 0.0);
        [$x, $y] = $plane->coordinates();
        foreach ([[100.0, 90.0], [100.0, 20.0], [60.0, 40.0]] as [$high, $spread]) {
            $got = NozzleSpray::ofVertices($plane, [0.0, 0.0, $high], [0.0, 0.0, 0.0], $spread);
            foreach ($got as $v => $e) {
                $tan = hypot($x[$v], $y[$v]) / $high;
                $cone = $spread >= 90.0 ? 1.0 : exp(-2 * ($tan / tan(deg2rad($spread))) ** 2);
                // The hand's moves blur it a little.
                self::assertEqualsWithDelta((1 + $tan ** 2) ** -1.5 * $cone, $e, 0.03, "{$high} mm, {$spread} degrees");
            }
        }
    }

    public function test_shadows_fall_away_from_the_nozzle_and_widen(): void
    {
        // A disc of radius 5 at 30 mm over a plane, the nozzle at 60 mm: its shadow is twice as wide.
        $disc = Shapes::stacked([['round', 5.0, 5.0, 29.5], ['round', 5.0, 5.0, 30.0]]);
        $plane = Shapes::land(-30.0, 30.0, -30.0, 30.0, 120, 120, static fn (): float => 0.0);
        $mesh = Shapes::both($plane, $disc);
        [$x, $y] = $mesh->coordinates();
        $got = NozzleSpray::ofVertices($mesh, [0.0, 0.0, 60.0], [0.0, 0.0, 0.0], 90.0);
        $bright = NozzleSpray::ofVertices($plane, [0.0, 0.0, 60.0], [0.0, 0.0, 0.0], 90.0);
        for ($v = 0; $v < $plane->vertices(); $v++) {
            $r = hypot($x[$v], $y[$v]);
            if ($r < 7.0) {
                self::assertLessThan(0.02, $got[$v], "at {$r}");
            } elseif ($r > 13.0) {
                self::assertEqualsWithDelta($bright[$v], $got[$v], 0.02, "at {$r}");
            }
        }
        // Between them it is half shade: the hand moves.
        $half = array_filter(array_keys($x), static fn (int $v): bool => $v < $plane->vertices() && abs(hypot($x[$v], $y[$v]) - 10.0) < 0.4);
        $mean = array_sum(array_map(static fn (int $v): float => $got[$v] / $bright[$v], $half)) / count($half);
        self::assertEqualsWithDelta(0.5, $mean, 0.2);
    }

    public function test_from_far_away_it_is_the_spray_that_comes_from_everywhere_alike(): void
    {
        $bodies = Shapes::both(Shapes::ball(8.0, 40), Shapes::ball(4.0, 24, 9.0, 8.0));
        $near = NozzleSpray::ofVertices($bodies, [0.0, 0.0, 2000.0], [0.0, 0.0, 0.0], 90.0);
        $cone = SprayCone::around([0.0, 0.0, 1.0], 2.3, 12);
        $far = Exposure::ofVertices($bodies, Visibility::of($bodies, $cone->directions), $cone);
        $off = array_map(static fn (int $v): float => abs($near[$v] - $far[$v]), array_keys($far));
        self::assertLessThan(0.02, array_sum($off) / count($off));
        $this->expectException(InvalidLight::class);
        NozzleSpray::ofVertices($bodies, [1.0, 2.0, 3.0], [1.0, 2.0, 3.0], 30.0);
    }

    public function test_places_along_a_gradient_go_evenly_from_root_to_tip(): void
    {
        $gradient = Gradient::between([0.0, 0.0, 0.0], [0.0, 0.0, 10.0]);
        $zones = array_map(static fn (float $z): int => $gradient->zone(99.0, -7.0, $z), [-5.0, 0.0, 1.9, 2.1, 5.0, 7.9, 8.1, 10.0, 15.0]);
        self::assertSame([0, 0, 0, 1, 2, 3, 4, 4, 4], $zones);
        // Along an axis it runs from end to end, whichever way that points, and turns with it.
        mt_srand(3);
        for ($n = 0; $n < 30; $n++) {
            $points = array_map(static fn (): array => [mt_rand(-50, 50) / 7, mt_rand(-50, 50) / 7, mt_rand(-50, 50) / 7], range(1, 12));
            $axis = [[1.0, 0.0, 0.0], [0.6, 0.0, -0.8], [0.0, -1.0, 0.0]][$n % 3];
            $along = Gradient::along($points, $axis);
            self::assertNotNull($along);
            $places = array_map(static fn (array $p): float => $along->place(...$p), $points);
            self::assertEqualsWithDelta([0.0, 1.0], [min($places), max($places)], 1e-9);
            $back = Gradient::between($along->to, $along->from);
            self::assertEqualsWithDelta($places[0], 1 - $back->place(...$points[0]), 1e-9);
        }
        self::assertNull(Gradient::along([[1.0, 2.0, 3.0]], [1.0, 0.0, 0.0]));
        $this->expectException(InvalidLight::class);
        Gradient::between([1.0, 1.0, 1.0], [1.0, 1.0, 1.0]);
    }
}

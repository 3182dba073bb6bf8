<?php

declare(strict_types=1);

namespace Tests\Core\Demo;

use Database\Demo\Sculpt\Body;
use Database\Demo\Sculpt\Solid;
use Database\Demo\Sculpt\SurfaceNets;
use Hyalin\Mesh\MeshMeasures;
use PHPUnit\Framework\TestCase;

/**
 * The generator of the demo's print files against solids whose volume and surface are known in closed form.
 */
final class SurfaceNetsTest extends TestCase
{
    public function test_a_ball_and_a_ring_are_closed_and_as_large_as_they_are(): void
    {
        foreach ([0.8, 0.4] as $cell) {
            $ball = Body::of('Ball', [-11.0, -11.0, -11.0], [11.0, 11.0, 11.0], static fn (float $x, float $y, float $z): float => Solid::sphere($x, $y, $z, 0, 0, 0, 10));
            $ring = Body::of('Ring', [-11.0, -11.0, -4.0], [11.0, 11.0, 4.0], static fn (float $x, float $y, float $z): float => Solid::ring($x, $y, $z, 7, 3));
            foreach ([[$ball, 4 / 3 * M_PI * 1000, 4 * M_PI * 100], [$ring, 2 * M_PI ** 2 * 7 * 9, 4 * M_PI ** 2 * 7 * 3]] as [$body, $volume, $area]) {
                $found = MeshMeasures::of(SurfaceNets::of($body, $cell)[0]);
                self::assertSame([0, 0, 1], [$found->openEdges, $found->inconsistentEdges, $found->shells]);
                // Facets lie inside of a round solid: by about a third of the square of a cell over its radius.
                self::assertEqualsWithDelta(1.0, $found->volumeMm3 / $volume, $cell ** 2 / 3);
                self::assertEqualsWithDelta(1.0, $found->areaMm2 / $area, $cell ** 2 / 3);
            }
        }
    }

    public function test_the_surface_is_followed_where_a_distance_is_far_too_long_and_areas_meet_where_solids_do(): void
    {
        // Five times too long: whole blocks are passed over, and yet no hole is left.
        $body = new Body([-6.0, -6.0, -6.0], [6.0, 6.0, 6.0], ['Upper', 'Lower'], static fn (float $x, float $y, float $z): array => [5 * Solid::sphere($x, $y, $z, 0, 0, 0, 5), $z > 0.0 ? 0 : 1]);
        [$mesh, $areas] = SurfaceNets::of($body, 0.5);
        self::assertSame(0, MeshMeasures::of($mesh)->openEdges);
        [, , $z] = $mesh->coordinates();
        foreach (array_chunk($mesh->corners(), 3) as $t => [$a, $b, $c]) {
            if (abs(($z[$a] + $z[$b] + $z[$c]) / 3) > 0.5) {
                self::assertSame(($z[$a] + $z[$b] + $z[$c]) > 0.0 ? 0 : 1, $areas[$t]);
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Light\Exposure;
use Hyalin\Light\Glow;
use Hyalin\Light\Openness;
use Hyalin\Light\SprayCone;
use Hyalin\Light\Visibility;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * Glow, openness and the zones that follow from shape.
 */
final class ShapeOfLightTest extends TestCase
{
    /** A small lamp over a floor: height / distance cubed, the inverse square law with its cosine. */
    public function test_the_glow_of_a_lamp_follows_the_inverse_square(): void
    {
        $floor = Shapes::land(-20, 20, -20, 20, 40, 40, static fn (): float => 0.0);
        $glow = Glow::ofVertices($floor, [[0.0, 0.0, 8.0]], 0.5);
        [$x, $y] = $floor->coordinates();
        $greatest = 1 / 64;
        $sum = 0.0;
        foreach ($glow as $v => $e) {
            $sum += abs($e - 8 / ($x[$v] ** 2 + $y[$v] ** 2 + 64) ** 1.5) / $greatest;
        }
        self::assertLessThan(0.005, $sum / count($glow));
        // From below nothing reaches the upper side.
        self::assertSame(0.0, array_sum(Glow::ofVertices($floor, [[0.0, 0.0, -8.0]], 0.5)));
    }

    public function test_what_stands_between_throws_a_shadow_and_the_lamp_itself_does_not(): void
    {
        $floor = Shapes::land(-20, 20, -20, 20, 40, 40, static fn (): float => 0.0);
        $shade = Shapes::land(-4, 4, -4, 4, 8, 8, static fn (): float => 4.0);
        $turned = TriangleMesh::of($shade->positions, pack('V*', ...array_reverse($shade->corners())));
        $mesh = Shapes::both($floor, Shapes::both($shade, $turned));
        $glow = Glow::ofVertices($mesh, [[0.0, 0.0, 8.0]], 0.5);
        [$x, $y] = $floor->coordinates();
        foreach ($x as $v => $px) {
            $far = max(abs($px), abs($y[$v]));
            // The shadow of a sheet half-way down is twice its size.
            if ($far < 7) {
                self::assertSame(0.0, $glow[$v]);
            } elseif ($far > 9) {
                self::assertGreaterThan(0.0, $glow[$v]);
            }
        }
        // The same sheet as the lamp's own shade lets everything through.
        self::assertGreaterThan(0.0, Glow::ofVertices($mesh, [[0.0, 0.0, 8.0]], 6.0)[(int) (count($x) / 2)]);
    }

    public function test_a_ball_sees_all_round_and_the_bottom_of_a_pit_little(): void
    {
        $ball = Shapes::ball(10.0, 24);
        $directions = Openness::directions(128);
        $seen = Visibility::of($ball, $directions);
        self::assertGreaterThan(0.97, min([1.0, ...Openness::ofVertices(...[...$ball->coordinates(), $ball->corners(), $seen, 0, 128])]));
        $pit = Shapes::land(-10, 10, -10, 10, 40, 40, static fn (float $x, float $y): float => max(abs($x), abs($y)) < 2.2 ? -12.0 : 0.0);
        $open = Openness::ofVertices(...[...$pit->coordinates(), $pit->corners(), Visibility::of($pit, $directions), 0, 128]);
        [$x, $y] = $pit->coordinates();
        foreach ($open as $v => $o) {
            if (hypot($x[$v], $y[$v]) < 0.1) {
                self::assertLessThan(0.15, $o);
            }
        }
    }

    public function test_zones_follow_light_folds_and_edges_and_their_shares_are_whole(): void
    {
        $mesh = Shapes::both(Shapes::box(10.0, 10.0, 10.0, 16), Shapes::land(-15, 25, -15, 25, 60, 60, static fn (): float => -0.01));
        $cone = SprayCone::around([0.0, 0.0, 1.0], 30.0, 32);
        $all = [...$cone->directions, ...Openness::directions(96)];
        $seen = Visibility::of($mesh, $all);
        $exposure = Exposure::ofVertices($mesh, $seen, $cone->among($all));
        $open = Openness::ofVertices(...[...$mesh->coordinates(), $mesh->corners(), $seen, 32, 96]);
        $edges = Adjacency::of($mesh);
        $zones = ZoneMap::of($mesh, $edges, $exposure, $open, 40.0);
        self::assertCount($mesh->triangles(), $zones->of);
        $boxOnly = array_map(static fn (int $t): int => $t < 12 * 256 ? 0 : 1, array_keys($zones->of));
        $shares = $zones->shares($edges->area, $boxOnly);
        foreach ($shares as $share) {
            self::assertEqualsWithDelta(1.0, array_sum($share), 1e-9);
        }
        // The box has edges all round, light on its top, and no light on its walls.
        self::assertGreaterThan(0.1, $shares[0][ZoneMap::EDGE]);
        self::assertGreaterThan(0.08, $shares[0][ZoneMap::LIGHT]);
        self::assertGreaterThan(0.3, $shares[0][ZoneMap::SHADE] + $shares[0][ZoneMap::RECESS]);
        // The open floor is light.
        self::assertGreaterThan(0.7, $shares[1][ZoneMap::LIGHT]);
    }

    public function test_a_narrower_spray_needs_no_new_shadows(): void
    {
        $mesh = Shapes::both(Shapes::ball(6.0, 24, atZ: 14.0), Shapes::land(-15, 15, -15, 15, 30, 30, static fn (): float => 0.0));
        $wide = SprayCone::around([0.0, 0.0, 1.0], 60.0, 256);
        $seen = Visibility::of($mesh, $wide->directions);
        $within = Exposure::ofVertices($mesh, $seen, $wide->narrowedTo(30.0));
        $own = SprayCone::around([0.0, 0.0, 1.0], 30.0, 64);
        $exact = Exposure::ofVertices($mesh, Visibility::of($mesh, $own->directions), $own);
        $sum = 0.0;
        foreach ($exact as $v => $e) {
            $sum += abs($e - $within[$v]);
        }
        self::assertLessThan(0.01, $sum / count($exact));
    }
}

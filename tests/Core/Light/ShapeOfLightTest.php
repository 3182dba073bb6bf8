<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Light\Exposure;
use Hyalin\Light\Glow;
use Hyalin\Light\Openness;
use Hyalin\Light\Sky;
use Hyalin\Light\SprayCone;
use Hyalin\Light\Visibility;
use Hyalin\Light\ZoneMap;
use Hyalin\Light\ZoneWeights;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\Attributes\DataProvider;
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
        $sky = Sky::around([0.0, 0.0, 1.0]);
        $seen = Visibility::of($ball, $sky->directions);
        self::assertGreaterThan(0.97, min([1.0, ...Openness::ofVertices(...[...$ball->coordinates(), $ball->corners(), $seen, $sky->solidAngles])]));
        $pit = Shapes::land(-10, 10, -10, 10, 40, 40, static fn (float $x, float $y): float => max(abs($x), abs($y)) < 2.2 ? -12.0 : 0.0);
        $open = Openness::ofVertices(...[...$pit->coordinates(), $pit->corners(), Visibility::of($pit, $sky->directions), $sky->solidAngles]);
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
        $sky = Sky::around([0.0, 0.0, 1.0]);
        $seen = Visibility::of($mesh, $sky->directions);
        $exposure = Exposure::ofVertices($mesh, $seen, $sky->spray($sky->up, 30.0));
        $open = Openness::ofVertices(...[...$mesh->coordinates(), $mesh->corners(), $seen, $sky->solidAngles]);
        $edges = Adjacency::of($mesh);
        $zones = ZoneMap::of($mesh, null, SurfaceGraph::of($mesh), $exposure, $open, Curvature::ofVertices($mesh, null, $mesh), 40.0);
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

    public function test_a_sky_stands_for_the_whole_sphere(): void
    {
        foreach ([[0.0, 0.0, 1.0], [0.0, -1.0, 0.0], [1.0, 2.0, -0.5]] as $up) {
            $sky = Sky::around($up);
            self::assertEqualsWithDelta(4 * M_PI, array_sum($sky->solidAngles), 1e-9);
            // Over the sphere a direction is nought in the mean, and its square a third along any axis.
            $mean = $square = [0.0, 0.0, 0.0];
            foreach ($sky->directions as $n => $d) {
                foreach ([0, 1, 2] as $k) {
                    $mean[$k] += $sky->solidAngles[$n] * $d[$k] / (4 * M_PI);
                    $square[$k] += $sky->solidAngles[$n] * $d[$k] ** 2 / (4 * M_PI);
                }
            }
            self::assertEqualsWithDelta([0.0, 0.0, 0.0], $mean, 0.01);
            self::assertEqualsWithDelta([1 / 3, 1 / 3, 1 / 3], $square, 0.01);
        }
    }

    /** @return iterable<string, array{array{float, float, float}, float, float}> axis, half angle, mean error */
    public static function sprays(): iterable
    {
        yield 'from above' => [[0.0, 0.0, 1.0], 30.0, 0.01];
        yield 'tilted' => [[0.3, 0.0, 1.0], 30.0, 0.015];
        yield 'from 45 degrees' => [[0.0, -1.0, 1.0], 30.0, 0.02];
        yield 'from below' => [[0.0, 0.0, -1.0], 45.0, 0.02];
    }

    /** @param  array{float, float, float}  $axis */
    #[DataProvider('sprays')]
    public function test_one_set_of_shadows_serves_every_spray(array $axis, float $halfAngle, float $most): void
    {
        $mesh = Shapes::both(Shapes::ball(6.0, 24, atZ: 14.0), Shapes::box(12.0, 12.0, 3.0, 12));
        $sky = Sky::around([0.0, 0.0, 1.0]);
        $within = Exposure::ofVertices($mesh, Visibility::of($mesh, $sky->directions), $sky->spray($axis, $halfAngle));
        $own = SprayCone::around($axis, $halfAngle, 128);
        $exact = Exposure::ofVertices($mesh, Visibility::of($mesh, $own->directions), $own);
        $sum = 0.0;
        foreach ($exact as $v => $e) {
            $sum += abs($e - $within[$v]);
        }
        self::assertLessThan($most, $sum / count($exact));
    }

    public function test_a_cone_narrower_than_the_sky_is_its_nearest_direction(): void
    {
        $cone = Sky::around([0.0, 0.0, 1.0])->spray([0.0, 0.0, -1.0], 0.0);
        self::assertCount(1, array_filter($cone->weights));
        self::assertGreaterThan(0.9, -$cone->directions[(int) array_key_first(array_filter($cone->weights))][2]);
    }

    public function test_means_by_zone_are_means_over_the_mesh(): void
    {
        $mesh = Shapes::both(Shapes::ball(6.0, 20, atZ: 14.0), Shapes::box(10.0, 10.0, 4.0, 8));
        $cone = SprayCone::around([0.0, 0.0, 1.0], 30.0, 24);
        $light = Exposure::ofVertices($mesh, Visibility::of($mesh, $cone->directions), $cone);
        $edges = Adjacency::of($mesh);
        $zones = $regions = [];
        /** @var array<string, array{float, float}> $sums */
        $sums = [];
        foreach (array_chunk($mesh->corners(), 3) as $t => [$a, $b, $c]) {
            $regions[] = $t % 2;
            $zones[] = $t % 2 === 0 ? $t % 5 : 3;
            $mean = ($light[$a] + $light[$b] + $light[$c]) / 3;
            foreach (["all {$regions[$t]}", "{$regions[$t]} {$zones[$t]}"] as $key) {
                $sums[$key] ??= [0.0, 0.0];
                $sums[$key] = [$sums[$key][0] + $mean * $edges->area[$t], $sums[$key][1] + $edges->area[$t]];
            }
        }
        $means = ZoneWeights::of($mesh, null, $edges->area, $zones, $regions)->means($light);
        self::assertSame([0, 1], array_keys($means));
        foreach ($means as $region => [$mean, $byZone]) {
            self::assertEqualsWithDelta($sums["all {$region}"][0] / $sums["all {$region}"][1], $mean, 1e-9);
            foreach ($byZone as $zone => $found) {
                $expected = $sums["{$region} {$zone}"] ?? null;
                self::assertSame($expected === null, $found === null);
                self::assertEqualsWithDelta($expected === null ? 0.0 : $expected[0] / $expected[1], $found ?? 0.0, 1e-9);
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Light\Exposure;
use Hyalin\Light\InvalidLight;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Pose;
use Hyalin\Light\SprayCone;
use Hyalin\Light\Visibility;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\Stopped;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\RayCaster;
use Tests\Support\Shapes;

/**
 * Exposure against closed forms of radiometry (a surface of cosine b under a uniform sky receives (1 + b) / 2; a floor sees
 * the sky between two horizons, half the sum of the sines of their angles from the zenith), and against plain rays.
 */
final class LightTest extends TestCase
{
    private const UP = [0.0, 0.0, 1.0];

    public function test_directions_are_spread_evenly_over_the_cone(): void
    {
        foreach ([[0.0, 0.0, 1.0], [1.0, 2.0, -0.5], [0.0, 0.0, -3.0]] as $axis) {
            $cone = SprayCone::around($axis, 60.0, 200);
            $mean = [0.0, 0.0, 0.0];
            foreach ($cone->directions as $d) {
                self::assertEqualsWithDelta(1.0, $d[0] ** 2 + $d[1] ** 2 + $d[2] ** 2, 1e-12);
                $cos = $d[0] * $cone->axis[0] + $d[1] * $cone->axis[1] + $d[2] * $cone->axis[2];
                self::assertGreaterThanOrEqual(0.5 - 1e-12, $cos);
                $mean = [$mean[0] + $d[0] / 200, $mean[1] + $d[1] / 200, $mean[2] + $d[2] / 200];
            }
            // The centroid of a cap lies on its axis, at (1 + cos) / 2.
            foreach ([0, 1, 2] as $k) {
                self::assertEqualsWithDelta(0.75 * $cone->axis[$k], $mean[$k], 0.01);
            }
        }
        self::assertSame([[0.0, 0.0, 1.0]], SprayCone::around(self::UP, 0.0, 64)->directions);
    }

    public function test_a_ball_under_one_direction_follows_the_cosine(): void
    {
        $ball = Shapes::ball(10.0, 40);
        $exposure = self::ofVertices($ball, SprayCone::around(self::UP, 0.0, 1));
        [, , $z] = $ball->coordinates();
        $sum = 0.0;
        foreach ($exposure as $v => $e) {
            $sum += abs($e - max(0.0, $z[$v] / 10));
        }
        self::assertLessThan(0.01, $sum / count($exposure));
    }

    public function test_a_ball_under_the_whole_sky_receives_half_of_one_plus_the_cosine(): void
    {
        $ball = Shapes::ball(10.0, 40);
        $exposure = self::ofVertices($ball, SprayCone::around(self::UP, 90.0, 256));
        [, , $z] = $ball->coordinates();
        $sum = 0.0;
        foreach ($exposure as $v => $e) {
            $sum += abs($e - (1 + $z[$v] / 10) / 2);
        }
        self::assertLessThan(0.008, $sum / count($exposure));
    }

    public function test_a_floor_beside_a_wall_and_in_a_trench_sees_what_is_left_of_the_sky(): void
    {
        // A wall of height 10 at x = 0, on both sides for the trench of width 10; long enough to count as endless.
        foreach ([
            [static fn (float $x): float => 0.5 * (1 + $x / sqrt($x * $x + 100)), 30.0],
            [static fn (float $x): float => 0.5 * ($x / sqrt($x * $x + 100) + (10 - $x) / sqrt((10 - $x) ** 2 + 100)), 10.0],
        ] as [$form, $width]) {
            $floor = Shapes::land(0.0, $width, -200.0, 200.0, 20, 100, static fn (): float => 0.0);
            $walls = self::wall(0.0);
            if ($width === 10.0) {
                $walls = Shapes::both($walls, self::wall(10.0));
            }
            $mesh = Shapes::both($floor, $walls);
            $exposure = self::ofVertices($mesh, SprayCone::around(self::UP, 90.0, 192), 512);
            [$x, $y] = $mesh->coordinates();
            $sum = $count = 0;
            for ($v = 0; $v < $floor->vertices(); $v++) {
                // In the middle of its length, and not on the very foot of the wall.
                if (abs($y[$v]) < 20 && $x[$v] > 1 && $x[$v] < $width - 1) {
                    $sum += abs($exposure[$v] - $form($x[$v]));
                    $count++;
                }
            }
            self::assertGreaterThan(80, $count);
            self::assertLessThan(0.02, $sum / $count);
        }
    }

    public function test_nothing_reaches_the_inside_of_a_closed_box(): void
    {
        $mesh = Shapes::both(Shapes::box(10.0, 10.0, 10.0, 20), self::moved(Shapes::box(4.0, 4.0, 4.0, 8), 3.0));
        $exposure = self::ofVertices($mesh, SprayCone::around(self::UP, 90.0, 64));
        $outer = Shapes::box(10.0, 10.0, 10.0, 20)->vertices();
        self::assertSame(0.0, max([0.0, ...array_slice($exposure, $outer)]));
        self::assertEqualsWithDelta(1.0, max([0.0, ...$exposure]), 0.01);
    }

    /** The same directions by plain rays, one for each corner and direction, through every triangle. */
    public function test_shadows_agree_with_plain_rays(): void
    {
        $mesh = Shapes::both(Shapes::ball(6.0, 14, atZ: 14.0), Shapes::land(-15, 15, -15, 15, 14, 14, static fn (float $x, float $y): float => 1.5 * sin($x / 2) * cos($y / 3)));
        $cone = SprayCone::around(self::UP, 60.0, 24);
        $ours = Visibility::of($mesh, $cone->directions);
        $rays = RayCaster::bits($mesh, $cone->directions);
        [$x, $y, $z] = $mesh->coordinates();
        $sum = $area = 0.0;
        foreach ($mesh->chunks() as $corners) {
            [$mine, $areas] = Exposure::chunk($corners, $x, $y, $z, null, $ours, $cone);
            $exact = RayCaster::exposure($corners, $x, $y, $z, $rays, $cone);
            foreach ($mine as $t => $e) {
                $sum += abs($e - $exact[$t]) * $areas[$t];
                $area += $areas[$t];
            }
        }
        self::assertLessThan(0.005, $sum / $area);
    }

    public function test_the_study_of_a_large_mesh_gives_what_its_working_mesh_does(): void
    {
        $fine = Shapes::both(Shapes::ball(6.0, 200, atZ: 14.0), Shapes::land(-15, 15, -15, 15, 60, 60, static fn (): float => 0.0));
        self::assertGreaterThan(130_000, $fine->triangles());
        $coarse = Shapes::both(Shapes::ball(6.0, 60, atZ: 14.0), Shapes::land(-15, 15, -15, 15, 60, 60, static fn (): float => 0.0));
        $cone = SprayCone::around(self::UP, 30.0, 16);
        $mean = static fn (TriangleMesh $mesh): float => LightStudy::of($mesh, MeshMeasures::of($mesh), $cone->directions)->exposure($cone)->mean;
        self::assertEqualsWithDelta($mean($coarse), $mean($fine), 0.005);
    }

    public function test_rows_hold_every_triangle_once_and_pieces_of_one_in_their_order(): void
    {
        $file = Shapes::both(Shapes::ball(18.0, 264, 0.0, 20.0), Pose::of([-20.0, -20.0, -4.0])->applied(Shapes::box(40.0, 40.0, 2.0, 1)));
        $study = LightStudy::of($file, MeshMeasures::of($file), [[0.0, 0.0, 1.0]]);
        $rows = $study->inRows();
        self::assertNotNull($rows->led);
        self::assertNotNull($study->parentOf);
        self::assertNotNull($rows->parentOf);
        $triangles = static function (string $indices): array {
            $all = str_split($indices, 12);
            sort($all);

            return $all;
        };
        self::assertSame($triangles($study->evaluated->indices), $triangles($rows->evaluated->indices));
        self::assertSame($rows->evaluated->triangles(), array_sum($rows->led->count) + count($rows->led->rest));
        $pieces = static function (LightStudy $of): array {
            $by = [];
            foreach ($of->parentOf ?? [] as $t => $parent) {
                $by[$parent] = ($by[$parent] ?? '').substr($of->evaluated->indices, 12 * $t, 12);
            }
            ksort($by);

            return $by;
        };
        self::assertSame($pieces($study), $pieces($rows));
    }

    public function test_numbers_of_an_exposure_are_bounded_and_in_order(): void
    {
        $mesh = Shapes::box(10.0, 10.0, 10.0, 4);
        $study = LightStudy::of($mesh, MeshMeasures::of($mesh), ($cone = SprayCone::around(self::UP, 30.0, 16))->directions);
        $exposure = $study->exposure($cone);
        self::assertCount(11, $exposure->deciles);
        $sorted = $exposure->deciles;
        sort($sorted);
        self::assertSame($sorted, $exposure->deciles);
        // A sixth of the area, the top, receives all; the bottom nothing; the sides what is left of the cone.
        self::assertEqualsWithDelta([0.0, 1.0], [$exposure->deciles[1], $exposure->deciles[9]], 1e-3);
        self::assertSame($study->evaluated->triangles(), strlen($exposure->byTriangle));
        self::assertGreaterThan(1 / 6, $exposure->mean);
        self::assertLessThan(0.4, $exposure->mean);
    }

    public function test_light_can_be_stopped(): void
    {
        $this->expectException(Stopped::class);
        Visibility::of(Shapes::box(1.0, 1.0, 1.0), SprayCone::around(self::UP, 30.0, 8)->directions, new class implements Progress
        {
            public function at(float $fraction): bool
            {
                return $fraction < 0.5;
            }
        });
    }

    /** @param  callable(): mixed  $make */
    #[DataProvider('impossible')]
    public function test_a_spray_that_cannot_be_is_refused(callable $make, string $words): void
    {
        $this->expectException(InvalidLight::class);
        $this->expectExceptionMessage($words);
        $make();
    }

    /** @return iterable<string, array{callable(): mixed, string}> */
    public static function impossible(): iterable
    {
        yield 'from nowhere' => [static fn (): SprayCone => SprayCone::around([0.0, 0.0, 0.0], 30.0, 8), 'must have a length'];
        yield 'wider than a half' => [static fn (): SprayCone => SprayCone::around(self::UP, 91.0, 8), 'half angle of 91'];
        yield 'no angle at all' => [static fn (): SprayCone => SprayCone::around(self::UP, NAN, 8), 'half angle'];
        yield 'too many' => [static fn (): SprayCone => SprayCone::around(self::UP, 30.0, 300), '300 directions'];
        yield 'none' => [static fn (): SprayCone => SprayCone::around(self::UP, 30.0, 0), '0 directions'];
    }

    /** @return array<int, float> */
    private static function ofVertices(TriangleMesh $mesh, SprayCone $cone, int $resolution = Visibility::RESOLUTION): array
    {
        return Exposure::ofVertices($mesh, Visibility::of($mesh, $cone->directions, null, $resolution), $cone);
    }

    /** A thin wall across x, 10 high and 400 long. */
    private static function wall(float $x): TriangleMesh
    {
        return TriangleMesh::build([[$x, -200, 0], [$x, 200, 0], [$x, 200, 10], [$x, -200, 10]], [[0, 1, 2], [0, 2, 3], [2, 1, 0], [3, 2, 0]]);
    }

    private static function moved(TriangleMesh $mesh, float $by): TriangleMesh
    {
        /** @var array<int, float> $f */
        $f = unpack('g*', $mesh->positions);

        return TriangleMesh::of(pack('g*', ...array_map(static fn (float $v): float => $v + $by, array_values($f))), $mesh->indices);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Mesh;

use Hyalin\Light\BendStrength;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\Decimation;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * Curvature, smoothing and pieces on a surface against closed forms (M. do Carmo, Differential Geometry of Curves and Surfaces,
 * 1976; the heat kernel of the plane), and zones that do not depend on how finely a sculpt is cut into triangles.
 */
final class SurfaceTest extends TestCase
{
    /** Of a torus 2H = 1/r + cos u / (R + r cos u): convex outside, and inside as far as the hole is narrow. */
    #[DataProvider('tori')]
    public function test_the_mean_curvature_of_a_torus(float $wide, float $thick): void
    {
        [$n, $m] = [260, 90];
        $mesh = self::torus($wide, $thick, $n, $m);
        foreach (Curvature::ofVertices($mesh, null, $mesh) as $v => $bend) {
            $u = 2 * M_PI * ($v % $m) / $m;
            self::assertEqualsWithDelta((1 / $thick + cos($u) / ($wide + $thick * cos($u))) / 2, $bend, 0.01 / $thick);
        }
        self::assertEqualsWithDelta(4 * M_PI ** 2 * $wide * $thick, array_sum(SurfaceGraph::of($mesh)->area), 0.004 * 4 * M_PI ** 2 * $wide * $thick);
    }

    /** @return iterable<string, array{float, float}> */
    public static function tori(): iterable
    {
        yield 'a ring' => [10.0, 3.0];
        yield 'a narrow hole' => [4.0, 3.0];
    }

    public function test_heat_spreads_a_point_to_a_gaussian_and_loses_none(): void
    {
        $n = 81;
        $mesh = Shapes::land(-4, 4, -4, 4, $n - 1, $n - 1, static fn (): float => 0.0);
        [$x, $y] = $mesh->coordinates();
        $point = array_map(static fn (float $px, float $py): float => hypot($px, $py) < 1e-6 ? 1.0 : 0.0, $x, $y);
        foreach ([0.3, 0.6] as $sigma) {
            $warm = SurfaceGraph::of($mesh)->smoothed($point, $sigma);
            $all = array_sum($warm);
            self::assertEqualsWithDelta(1.0, $all, 1e-4);
            foreach ([$x, $y] as $along) {
                self::assertEqualsWithDelta($sigma, sqrt(array_sum(array_map(static fn (float $w, float $p): float => $w * $p * $p, $warm, $along)) / $all), 0.01 * $sigma);
            }
            self::assertGreaterThanOrEqual(0.0, min([1.0, ...$warm]));
        }
    }

    /** A board with a groove and a ridge of half a millimetre: recess and edge as wide as they are, at any fineness, and no flecks. */
    public function test_a_groove_is_recess_and_a_ridge_edge_however_fine_the_mesh_is(): void
    {
        $shape = static fn (float $x, float $y): float => -0.9 * exp(-(($x + 5) / 0.5) ** 2) + 0.9 * exp(-(($x - 5) / 0.5) ** 2) + 0.002 * sin(40 * $x) * sin(37 * $y);
        $shares = [];
        foreach ([60, 120, 240] as $cells) {
            $mesh = Shapes::land(-10, 10, -3, 3, $cells, (int) ($cells * 0.3), $shape);
            $surface = SurfaceGraph::of($mesh);
            $flat = array_fill(0, $mesh->vertices(), 1.0);
            $zones = ZoneMap::of($mesh, null, $surface, $flat, $flat, Curvature::ofVertices($mesh, null, $mesh), 20.0);
            [$x] = $mesh->coordinates();
            foreach ($zones->ofVertices as $v => $zone) {
                // H of z = f(x) is -f'' / 2 at its extremes: 3.6 per mm at the bottom and at the top.
                if (abs(abs($x[$v]) - 5) < 0.17) {
                    self::assertSame($x[$v] < 0 ? ZoneMap::RECESS : ZoneMap::EDGE, $zone, "{$cells} cells, x {$x[$v]}");
                } elseif (abs(abs($x[$v]) - 5) > 3.5) {
                    self::assertSame(ZoneMap::LIGHT, $zone, "{$cells} cells, x {$x[$v]}");
                }
            }
            [, $areas] = $surface->pieces($zones->ofVertices);
            self::assertSame([], array_filter($areas, static fn (float $mm2): bool => $mm2 < 1.0));
            $shares[] = $zones->shares(array_fill(0, $mesh->triangles(), 1.0), array_fill(0, $mesh->triangles(), 0))[0];
        }
        foreach ([ZoneMap::EDGE, ZoneMap::RECESS] as $zone) {
            $of = array_column($shares, $zone);
            self::assertLessThan(0.15 * $of[2], max($of[1], $of[2]) - min($of[1], $of[2]));
        }
        // Strength: what bends less becomes edge, too.
        $mesh = Shapes::land(-10, 10, -3, 3, 120, 36, static fn (float $x): float => 0.55 * exp(-($x / 1.2) ** 2));
        $flat = array_fill(0, $mesh->vertices(), 1.0);
        $edge = static fn (float $strength): int => count(array_keys(ZoneMap::of($mesh, null, SurfaceGraph::of($mesh), $flat, $flat, Curvature::ofVertices($mesh, null, $mesh), 20.0, new BendStrength($strength))->of, ZoneMap::EDGE, true));
        self::assertSame(0, $edge(0.5));
        self::assertGreaterThan(100, $edge(1.5));
    }

    /** The armadillo of Debian's libcgal-demo, 52,000 triangles: painted with a brush of 0.8 mm: edges found on ever coarser working meshes are the same. */
    public function test_a_sculpt_has_the_same_edges_on_any_working_mesh(): void
    {
        $sculpt = Shapes::sculpt('armadillo', 75.0);
        $measures = MeshMeasures::of($sculpt);
        $area = Adjacency::of($sculpt)->area;
        $shares = [];
        foreach ([null, 46_000, 34_000] as $target) {
            $coarse = $target === null ? null : Decimation::of($sculpt, $measures, $target);
            $working = $coarse->mesh ?? $sculpt;
            $flat = array_fill(0, $working->vertices(), 1.0);
            $bend = Curvature::ofVertices($sculpt, $coarse?->vertexOf, $working);
            $shares[] = ZoneMap::of($sculpt, $coarse?->vertexOf, SurfaceGraph::of($working), $flat, $flat, $bend, 200.0)->shares($area, array_fill(0, $sculpt->triangles(), 0))[0];
        }
        $of = array_column($shares, ZoneMap::EDGE);
        self::assertGreaterThan(0.2, min([1.0, ...$of]));
        self::assertLessThan(0.15, (max([0.0, ...$of]) - min([1.0, ...$of])) / $of[0]);
    }

    private static function torus(float $wide, float $thick, int $n, int $m): TriangleMesh
    {
        $vertices = $triangles = [];
        for ($i = 0; $i < $n; $i++) {
            for ($j = 0; $j < $m; $j++) {
                [$a, $u] = [2 * M_PI * $i / $n, 2 * M_PI * $j / $m];
                $vertices[] = [($wide + $thick * cos($u)) * cos($a), ($wide + $thick * cos($u)) * sin($a), $thick * sin($u)];
                [$i2, $j2] = [($i + 1) % $n, ($j + 1) % $m];
                $triangles[] = [$i * $m + $j, $i2 * $m + $j, $i2 * $m + $j2];
                $triangles[] = [$i * $m + $j, $i2 * $m + $j2, $i * $m + $j2];
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }
}

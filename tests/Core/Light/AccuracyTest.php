<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Formats\Meshes\StlReader;
use Hyalin\Light\Glow;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Pose;
use Hyalin\Light\SprayCone;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Normals;
use Hyalin\Mesh\Refinement;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\GridRays;
use Tests\Support\Rounds;
use Tests\Support\Shapes;
use Tests\Support\TextSource;

/**
 * The whole job - working mesh, 64 directions, depth buffers - against rays that are traced exactly, in so many other
 * directions that more would change nothing.
 */
final class AccuracyTest extends TestCase
{
    private const SPREAD = 60.0;

    /** @return iterable<string, array{TriangleMesh}> */
    public static function meshes(): iterable
    {
        // From the test models of assimp (Debian package assimp-testmodels): a spider of a game, and a beast with limbs.
        foreach (['Spider_binary', 'Wuson'] as $name) {
            yield $name => [StlReader::read(new TextSource((string) file_get_contents("/usr/share/assimp/models/STL/{$name}.stl")))->mesh];
        }
        // A body with a head on a base, two balls for hands: fine enough that its shadows are cast by a coarser mesh.
        $body = Shapes::both(Shapes::ball(8.0, 190, atZ: 12.0), Shapes::ball(4.0, 110, atZ: 23.0));
        $hands = Shapes::both(Shapes::ball(2.5, 60, atX: 9.5, atZ: 15.0), Shapes::ball(2.5, 60, atX: -9.5, atZ: 15.0));
        yield 'figure' => [Shapes::both(Shapes::both($body, $hands), Shapes::land(-14, 14, -14, 14, 60, 60, static fn (float $x, float $y): float => 0.6 * sin($x) * cos(1.3 * $y)))];
    }

    #[DataProvider('meshes')]
    public function test_the_whole_job_agrees_with_converged_rays(TriangleMesh $mesh): void
    {
        $cone = SprayCone::around([0.0, 0.0, 1.0], self::SPREAD, 64);
        $study = LightStudy::of($mesh, MeshMeasures::of($mesh), $cone->directions);
        $ours = $study->exposure($cone)->byTriangle;
        $rays = new GridRays($mesh);
        $corners = $study->evaluated->corners();
        [$x, $y, $z] = $study->evaluated->coordinates();
        $exact = static function (int $t, int $rings, int $around) use ($rays, $corners, $x, $y, $z): float {
            [$a, $b, $c] = [$corners[3 * $t], $corners[3 * $t + 1], $corners[3 * $t + 2]];
            $normal = self::normal([$x[$a], $y[$a], $z[$a]], [$x[$b], $y[$b], $z[$b]], [$x[$c], $y[$c], $z[$c]]);

            return self::exposed($rays, [($x[$a] + $x[$b] + $x[$c]) / 3, ($y[$a] + $y[$b] + $y[$c]) / 3, ($z[$a] + $z[$b] + $z[$c]) / 3], $normal, $rings, $around, 0.1 * $t);
        };
        $errors = [];
        foreach (self::sampled($study->evaluated, Rounds::of(125, 250)) as $t) {
            $errors[] = abs(ord($ours[$t]) / 255 - $exact($t, 14, 24));
        }
        sort($errors);
        self::assertLessThan(0.010, array_sum($errors) / count($errors));
        self::assertLessThan(0.03, $errors[(int) (0.95 * count($errors))]);
        // Total paint needs many places and few rays at each. Places are drawn by area: their mean is that of all paint.
        $sums = [0.0, 0.0];
        foreach (self::sampled($study->evaluated, 2400) as $t) {
            $sums = [$sums[0] + ord($ours[$t]) / 255, $sums[1] + $exact($t, 5, 8)];
        }
        self::assertEqualsWithDelta(1.0, $sums[0] / $sums[1], 0.005);
    }

    public function test_glow_agrees_with_rays(): void
    {
        $mesh = Shapes::both(Shapes::ball(5.0, 30, atZ: 6.0), Shapes::land(-20, 20, -20, 20, 50, 50, static fn (float $x, float $y): float => 1.2 * sin($x / 2) * cos($y / 3)));
        $lamp = [7.0, 4.0, 9.0];
        $rays = new GridRays($mesh);
        [$x, $y, $z] = $mesh->coordinates();
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $mesh->corners());
        $sum = 0.0;
        // As it is shown: 1 where a surface faces the lamp at four millimetres.
        foreach (Glow::ofVertices($mesh, [$lamp], 0.5) as $v => $found) {
            $d = [$lamp[0] - $x[$v], $lamp[1] - $y[$v], $lamp[2] - $z[$v]];
            $r = sqrt($d[0] ** 2 + $d[1] ** 2 + $d[2] ** 2);
            $cos = ($nx[$v] * $d[0] + $ny[$v] * $d[1] + $nz[$v] * $d[2]) / $r;
            $lifted = [$x[$v] + 1e-3 * $nx[$v], $y[$v] + 1e-3 * $ny[$v], $z[$v] + 1e-3 * $nz[$v]];
            $exact = $cos > 0 && $rays->isFree($lifted, [$d[0] / $r, $d[1] / $r, $d[2] / $r], $r) ? $cos / ($r * $r) : 0.0;
            $sum += abs(min(1.0, 16 * $found) - min(1.0, 16 * $exact));
        }
        self::assertLessThan(0.005, $sum / $mesh->vertices());
    }

    /** @return list<int> triangles, by area, evenly: one in each of so many equal shares of it */
    private static function sampled(TriangleMesh $mesh, int $count): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $upTo = [];
        $all = 0.0;
        foreach (array_chunk($mesh->corners(), 3) as [$a, $b, $c]) {
            $all += self::length(self::cross([$x[$a], $y[$a], $z[$a]], [$x[$b], $y[$b], $z[$b]], [$x[$c], $y[$c], $z[$c]]));
            $upTo[] = $all;
        }
        $chosen = [];
        $t = 0;
        for ($k = 0; $k < $count; $k++) {
            while ($upTo[$t] < ($k + 0.5) / $count * $all) {
                $t++;
            }
            $chosen[] = $t;
        }

        return $chosen;
    }

    /**
     * Directions in rings of equal solid angle, turned against each other: not those that are checked.
     *
     * @param  float  $phase  turns all of them, so that no two places have the same few
     * @param  array{float, float, float}  $at
     * @param  array{float, float, float}  $normal
     */
    private static function exposed(GridRays $rays, array $at, array $normal, int $rings, int $around, float $phase): float
    {
        $sum = $full = 0.0;
        $at = [$at[0] + 1e-4 * $normal[0], $at[1] + 1e-4 * $normal[1], $at[2] + 1e-4 * $normal[2]];
        for ($i = 0; $i < $rings; $i++) {
            $dz = 1 - ($i + 0.5) / $rings * (1 - cos(deg2rad(self::SPREAD)));
            $r = sqrt(1 - $dz * $dz);
            for ($j = 0; $j < $around; $j++) {
                $phi = $phase + 2 * M_PI * ($j + fmod(0.618 * $i, 1.0)) / $around;
                $d = [$r * cos($phi), $r * sin($phi), $dz];
                $full += $dz;
                $cos = $normal[0] * $d[0] + $normal[1] * $d[1] + $normal[2] * $d[2];
                if ($cos > 0 && $rays->isFree($at, $d)) {
                    $sum += $cos;
                }
            }
        }

        return $sum / $full;
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @return array{float, float, float}
     */
    private static function cross(array $a, array $b, array $c): array
    {
        [$u, $v] = [[$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]], [$c[0] - $a[0], $c[1] - $a[1], $c[2] - $a[2]]];

        return [$u[1] * $v[2] - $u[2] * $v[1], $u[2] * $v[0] - $u[0] * $v[2], $u[0] * $v[1] - $u[1] * $v[0]];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @return array{float, float, float}
     */
    private static function normal(array $a, array $b, array $c): array
    {
        $n = self::cross($a, $b, $c);
        $length = self::length($n) ?: 1.0;

        return [$n[0] / $length, $n[1] / $length, $n[2] / $length];
    }

    /** @param  array{float, float, float}  $v */
    private static function length(array $v): float
    {
        return sqrt($v[0] ** 2 + $v[1] ** 2 + $v[2] ** 2);
    }

    /** A leaning cloak of 0.8 mm on a figure of 250 mm, in 290,000 triangles: the lit side gets the cosine of its slope, the other nothing. */
    public function test_a_thin_part_of_a_large_figure_has_two_sides(): void
    {
        $slope = 0.3;
        $sheet = static fn (float $down): TriangleMesh => Shapes::land(0, 100, 0, 250, 140, 520, static fn (float $x, float $y): float => $slope * $y - $down);
        [$front, $back] = [$sheet(0.0), $sheet(0.8)];
        $first = $front->vertices();
        $indices = '';
        foreach (array_chunk($back->corners(), 3) as [$a, $b, $c]) {
            $indices .= pack('V3', $a + $first, $c + $first, $b + $first);
        }
        // One triangle joins them to one piece, as the hem of a cloak does.
        $cloak = TriangleMesh::of($front->positions.$back->positions, $front->indices.$indices.pack('V3', 0, 1, $first));
        $cone = SprayCone::around([0, 0, 1], 30.0, 64);
        $study = LightStudy::of($cloak, MeshMeasures::of($cloak), $cone->directions);
        self::assertLessThan($cloak->triangles(), $study->working->triangles());
        [$x, $y, $z] = $study->working->coordinates();
        foreach ($study->ofVertices($cone) as $v => $light) {
            if ($x[$v] > 5 && $x[$v] < 95 && $y[$v] > 10 && $y[$v] < 240) {
                self::assertEqualsWithDelta($z[$v] > $slope * $y[$v] - 0.4 ? 1 / sqrt(1 + $slope ** 2) : 0.0, $light, 0.03);
            }
        }
    }

    /** A ball of 360,000 triangles over a base of 12: its shadow lies on the base as on one that is finely divided. */
    public function test_a_coarse_base_beneath_a_fine_figure_is_shaded_right(): void
    {
        $base = Shapes::box(40.0, 40.0, 3.0, 1);
        $up = Pose::of([20.0, 20.0, 14.0], [0.0, 0.0, 0.0, 1.0], false);
        $cone = SprayCone::around([0, 0, 1], 30.0, 64);
        $lit = static function (TriangleMesh $mesh) use ($cone): array {
            $study = LightStudy::of($mesh, MeshMeasures::of($mesh), $cone->directions);
            [$x, $y, $z] = $study->working->coordinates();
            $onTop = [];
            foreach ($study->ofVertices($cone) as $v => $light) {
                if (abs($z[$v] - 3) < 0.01 && min($x[$v], $y[$v]) > 1 && max($x[$v], $y[$v]) < 39) {
                    $onTop[(int) $x[$v]][(int) $y[$v]][] = $light;
                }
            }

            return [$study, array_map(static fn (array $row): array => array_map(static fn (array $cell): float => array_sum($cell) / max(1, count($cell)), $row), $onTop)];
        };
        $fine = Shapes::both($base, $up->applied(Shapes::ball(8.0, 300)));
        [$study, $found] = $lit($fine);
        [, $wanted] = $lit(Shapes::both(Refinement::of($base, 0.5)->mesh, $up->applied(Shapes::ball(8.0, 60))));
        self::assertGreaterThan(1000, array_sum(array_map(count(...), $found)));
        foreach ($found as $x => $row) {
            foreach ($row as $y => $light) {
                self::assertEqualsWithDelta($wanted[$x][$y] ?? $light, $light, 0.03);
            }
        }
        // Split, it is the same body, and every piece knows where it comes from.
        self::assertEqualsWithDelta(MeshMeasures::of($fine)->areaMm2, MeshMeasures::of($study->evaluated)->areaMm2, 1e-3);
        self::assertSame(0, MeshMeasures::of($study->evaluated)->openEdges);
        self::assertSame($study->evaluated->triangles(), count($study->parentOf ?? []));
        $parents = array_keys(array_flip($study->parentOf ?? []));
        sort($parents);
        self::assertSame(range(0, $fine->triangles() - 1), $parents);
    }
}

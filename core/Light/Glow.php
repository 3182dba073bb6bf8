<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\Normals;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * The glow of a lamp on what surrounds it: cosine over the square of the distance, where the way is free. Shadows are
 * found with six depth buffers around the lamp (cube map: N. Greene, 1986); a lamp is a small ball, so that the mean of
 * several points within it is taken.
 */
final class Glow
{
    /** Of full light: what receives less is left as it is painted. */
    public const SEEN = 0.06;

    private const RESOLUTION = 256;

    private const BIAS = 1.5;

    /**
     * @param  list<array{float, float, float}>  $lamps  points of the lamp, mm
     * @param  float  $near  mm within which the mesh is the lamp itself and throws no shadow
     * @return array<int, float> cosine / mm2, by vertex: relative, to be scaled by how bright the lamp is
     *
     * @throws Stopped
     */
    public static function ofVertices(TriangleMesh $mesh, array $lamps, float $near, ?Progress $progress = null): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $corners);
        $glow = \array_fill(0, \count($x), 0.0);
        foreach ($lamps as $n => [$lx, $ly, $lz]) {
            Stopped::unless($progress, $n / \count($lamps));
            $sides = self::sides($x, $y, $z, $corners, $lx, $ly, $lz, $near);
            foreach ($x as $v => $px) {
                [$dx, $dy, $dz] = [$px - $lx, $y[$v] - $ly, $z[$v] - $lz];
                $r2 = $dx * $dx + $dy * $dy + $dz * $dz;
                $r = \sqrt($r2);
                $cos = $r > 1e-9 ? -($nx[$v] * $dx + $ny[$v] * $dy + $nz[$v] * $dz) / $r : 0.0;
                if ($cos > 0 && ($r <= $near || self::isFree($sides, $dx, $dy, $dz))) {
                    $glow[$v] += $cos / $r2 / \count($lamps);
                }
            }
        }

        return $glow;
    }

    /**
     * For each side of the cube the greatest inverse depth of every pixel: it is linear over a triangle.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @return list<list<float>>
     */
    private static function sides(array $x, array $y, array $z, array $corners, float $lx, float $ly, float $lz, float $near): array
    {
        $sides = \array_fill(0, 6, \array_fill(0, self::RESOLUTION * self::RESOLUTION, 0.0));
        for ($t = 0, $n = \count($corners); $t < $n; $t += 3) {
            $points = [];
            $close = false;
            for ($k = 0; $k < 3; $k++) {
                $v = $corners[$t + $k];
                $p = [$x[$v] - $lx, $y[$v] - $ly, $z[$v] - $lz];
                $close = $close || $near * $near >= $p[0] * $p[0] + $p[1] * $p[1] + $p[2] * $p[2];
                $points[] = $p;
            }
            if (! $close) {
                self::draw($sides, $points);
            }
        }

        return $sides;
    }

    /**
     * @param  list<list<float>>  $sides
     * @param  list<array{float, float, float}>  $points
     */
    private static function draw(array &$sides, array $points): void
    {
        foreach ([0, 1, 2] as $axis) {
            foreach ([1, -1] as $sign) {
                $d0 = $sign * $points[0][$axis];
                $d1 = $sign * $points[1][$axis];
                $d2 = $sign * $points[2][$axis];
                // What crosses the plane of the lamp is seen on the other sides as well; it is drawn where it lies in front.
                if ($d0 <= 1e-6 || $d1 <= 1e-6 || $d2 <= 1e-6) {
                    continue;
                }
                $u = ($axis + 1) % 3;
                $w = ($axis + 2) % 3;
                $u0 = $points[0][$u] / $d0;
                $u1 = $points[1][$u] / $d1;
                $u2 = $points[2][$u] / $d2;
                $w0 = $points[0][$w] / $d0;
                $w1 = $points[1][$w] / $d1;
                $w2 = $points[2][$w] / $d2;
                // Wholly beside this side of the cube: another has it.
                if (($u0 > 1 && $u1 > 1 && $u2 > 1) || ($u0 < -1 && $u1 < -1 && $u2 < -1) || ($w0 > 1 && $w1 > 1 && $w2 > 1) || ($w0 < -1 && $w1 < -1 && $w2 < -1)) {
                    continue;
                }
                $half = self::RESOLUTION / 2;
                $p = [[$half * (1 + $u0), $half * (1 + $w0), 1 / $d0], [$half * (1 + $u1), $half * (1 + $w1), 1 / $d1], [$half * (1 + $u2), $half * (1 + $w2), 1 / $d2]];
                self::fill($sides[2 * $axis + ($sign > 0 ? 0 : 1)], $p);
            }
        }
    }

    /**
     * @param  list<float>  $buffer
     * @param  list<array{float, float, float}>  $p  place in pixels and inverse depth
     */
    private static function fill(array &$buffer, array $p): void
    {
        $det = ($p[1][0] - $p[0][0]) * ($p[2][1] - $p[0][1]) - ($p[2][0] - $p[0][0]) * ($p[1][1] - $p[0][1]);
        if (\abs($det) < 1e-12) {
            return;
        }
        $perU = (($p[1][2] - $p[0][2]) * ($p[2][1] - $p[0][1]) - ($p[2][2] - $p[0][2]) * ($p[1][1] - $p[0][1])) / $det;
        $perV = (($p[2][2] - $p[0][2]) * ($p[1][0] - $p[0][0]) - ($p[1][2] - $p[0][2]) * ($p[2][0] - $p[0][0])) / $det;
        $last = self::RESOLUTION - 1;
        $rows = [\max(0, (int) \ceil(\min($p[0][1], $p[1][1], $p[2][1]) - 0.5)), \min($last, (int) \floor(\max($p[0][1], $p[1][1], $p[2][1]) - 0.5))];
        for ($row = $rows[0]; $row <= $rows[1]; $row++) {
            $v = $row + 0.5;
            [$from, $to] = [\INF, -\INF];
            for ($k = 0; $k < 3; $k++) {
                [$a, $b] = [$p[$k], $p[($k + 1) % 3]];
                if (($a[1] <= $v) !== ($b[1] <= $v)) {
                    $u = $a[0] + ($b[0] - $a[0]) * ($v - $a[1]) / ($b[1] - $a[1]);
                    $from = \min($from, $u);
                    $to = \max($to, $u);
                }
            }
            for ($column = \max(0, (int) \ceil($from - 0.5)), $end = \min($last, (int) \floor($to - 0.5)); $column <= $end; $column++) {
                $inverse = $p[0][2] + $perU * ($column + 0.5 - $p[0][0]) + $perV * ($v - $p[0][1]);
                $at = $row * self::RESOLUTION + $column;
                if ($inverse > $buffer[$at]) {
                    $buffer[$at] = $inverse;
                }
            }
        }
    }

    /** @param  list<list<float>>  $sides */
    private static function isFree(array $sides, float $dx, float $dy, float $dz): bool
    {
        $d = [$dx, $dy, $dz];
        $axis = \abs($dx) >= \abs($dy) && \abs($dx) >= \abs($dz) ? 0 : (\abs($dy) >= \abs($dz) ? 1 : 2);
        $sign = $d[$axis] > 0 ? 1 : -1;
        $depth = \abs($d[$axis]);
        $half = self::RESOLUTION / 2;
        $column = \min(self::RESOLUTION - 1, (int) ($half * (1 + $d[($axis + 1) % 3] / $depth)));
        $row = \min(self::RESOLUTION - 1, (int) ($half * (1 + $d[($axis + 2) % 3] / $depth)));
        $found = $sides[2 * $axis + ($sign > 0 ? 0 : 1)][$row * self::RESOLUTION + $column];

        // Nearer than the surface itself by more than the bias: something is between.
        return $found === 0.0 || 1 / $found >= $depth - self::BIAS * 2 * $depth / self::RESOLUTION - 1e-9;
    }
}

<?php

declare(strict_types=1);

namespace Tests\Support;

use Hyalin\Mesh\TriangleMesh;

/**
 * Whether a ray hits a mesh, exactly: triangles sorted into the cells of a grid, cells walked one after the other
 * (J. Amanatides, A. Woo, A fast voxel traversal algorithm for ray tracing, 1987). Shares nothing with the depth buffers
 * that it checks.
 */
final class GridRays
{
    private const LIFT = 1e-5;

    /** @var array<int, list<int>> triangles by cell */
    private array $cells = [];

    /** @var array{float, float, float} */
    private array $low;

    private float $cell;

    /** @var array{int, int, int} */
    private array $size;

    /** @var list<float> corner and two sides of each triangle, nine numbers after nine */
    private array $sides = [];

    public function __construct(TriangleMesh $mesh, int $across = 96)
    {
        [$x, $y, $z] = $mesh->coordinates();
        $low = [min($x ?: [0.0]), min($y ?: [0.0]), min($z ?: [0.0])];
        $extent = [max($x ?: [0.0]) - $low[0], max($y ?: [0.0]) - $low[1], max($z ?: [0.0]) - $low[2]];
        $this->cell = max($extent) / $across * 1.0001;
        $this->low = [$low[0] - $this->cell / 2, $low[1] - $this->cell / 2, $low[2] - $this->cell / 2];
        $this->size = [(int) ($extent[0] / $this->cell) + 2, (int) ($extent[1] / $this->cell) + 2, (int) ($extent[2] / $this->cell) + 2];
        foreach (array_chunk($mesh->corners(), 3) as $t => $corners) {
            $p = array_map(static fn (int $v): array => [$x[$v], $y[$v], $z[$v]], $corners);
            foreach ([0, 1, 2] as $k) {
                $this->sides[] = $p[0][$k];
            }
            foreach ([1, 2] as $side) {
                foreach ([0, 1, 2] as $k) {
                    $this->sides[] = $p[$side][$k] - $p[0][$k];
                }
            }
            $from = $to = [0, 0, 0];
            foreach ([0, 1, 2] as $k) {
                $from[$k] = (int) ((min($p[0][$k], $p[1][$k], $p[2][$k]) - $this->low[$k]) / $this->cell);
                $to[$k] = (int) ((max($p[0][$k], $p[1][$k], $p[2][$k]) - $this->low[$k]) / $this->cell);
            }
            for ($i = $from[0]; $i <= $to[0]; $i++) {
                for ($j = $from[1]; $j <= $to[1]; $j++) {
                    for ($k = $from[2]; $k <= $to[2]; $k++) {
                        $this->cells[($i * $this->size[1] + $j) * $this->size[2] + $k][] = $t;
                    }
                }
            }
        }
    }

    /**
     * @param  array{float, float, float}  $o  within the box of the mesh
     * @param  array{float, float, float}  $d  of length 1
     * @param  float  $farthest  mm; what lies beyond is no matter
     */
    public function isFree(array $o, array $d, float $farthest = INF): bool
    {
        $at = $step = [0, 0, 0];
        $next = $per = [INF, INF, INF];
        foreach ([0, 1, 2] as $k) {
            $at[$k] = (int) (($o[$k] - $this->low[$k]) / $this->cell);
            if ($d[$k] !== 0.0) {
                $step[$k] = $d[$k] > 0 ? 1 : -1;
                $per[$k] = $this->cell / abs($d[$k]);
                $next[$k] = ($this->low[$k] + ($at[$k] + ($d[$k] > 0 ? 1 : 0)) * $this->cell - $o[$k]) / $d[$k];
            }
        }
        while ($at[0] >= 0 && $at[1] >= 0 && $at[2] >= 0 && $at[0] < $this->size[0] && $at[1] < $this->size[1] && $at[2] < $this->size[2]) {
            foreach ($this->cells[($at[0] * $this->size[1] + $at[1]) * $this->size[2] + $at[2]] ?? [] as $t) {
                $far = $this->distance($t, $o, $d);
                if ($far > self::LIFT && $far < $farthest) {
                    return false;
                }
            }
            $axis = $next[0] <= $next[1] && $next[0] <= $next[2] ? 0 : ($next[1] <= $next[2] ? 1 : 2);
            $at[$axis] += $step[$axis];
            $next[$axis] += $per[$axis];
        }

        return true;
    }

    /**
     * T. Moeller, B. Trumbore, Journal of Graphics Tools 2, 1997.
     *
     * @param  array{float, float, float}  $o
     * @param  array{float, float, float}  $d
     * @return float negative where it is missed
     */
    private function distance(int $t, array $o, array $d): float
    {
        [$ax, $ay, $az, $ux, $uy, $uz, $vx, $vy, $vz] = array_slice($this->sides, 9 * $t, 9);
        [$px, $py, $pz] = [$d[1] * $vz - $d[2] * $vy, $d[2] * $vx - $d[0] * $vz, $d[0] * $vy - $d[1] * $vx];
        $det = $ux * $px + $uy * $py + $uz * $pz;
        if (abs($det) < 1e-14) {
            return -1.0;
        }
        [$tx, $ty, $tz] = [$o[0] - $ax, $o[1] - $ay, $o[2] - $az];
        $u = ($tx * $px + $ty * $py + $tz * $pz) / $det;
        [$qx, $qy, $qz] = [$ty * $uz - $tz * $uy, $tz * $ux - $tx * $uz, $tx * $uy - $ty * $ux];
        $v = ($d[0] * $qx + $d[1] * $qy + $d[2] * $qz) / $det;

        return $u < 0 || $v < 0 || $u + $v > 1 ? -1.0 : ($vx * $qx + $vy * $qy + $vz * $qz) / $det;
    }
}

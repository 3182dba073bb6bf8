<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * The vertices of a mesh with their neighbours: what is smoothed, joined and cut along a surface runs over it.
 */
final readonly class SurfaceGraph implements Surroundings
{
    /** A step of smoothing moves a value this far towards the mean of its neighbours at most: beyond it would swing. */
    private const STABLE = 0.7;

    /**
     * Flat lists, as every pass over a surface reads them: the neighbours of vertex v stand from first[v] to first[v + 1].
     *
     * @param  array<int, int>  $first
     * @param  array<int, int>  $next
     * @param  array<int, float>  $mm  to each neighbour
     * @param  array<int, float>  $area  mm2 that each vertex stands for, a third of its triangles
     */
    private function __construct(public array $first, public array $next, public array $mm, public array $area)
    {
    }

    public static function of(TriangleMesh $mesh): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $n = \count($x);
        $area = \array_fill(0, $n, 0.0);
        $degree = \array_fill(0, $n + 1, 0);
        $edges = [];
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $m = \count($corners); $i < $m; $i += 3) {
                [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
                $px = ($y[$b] - $y[$a]) * ($z[$c] - $z[$a]) - ($z[$b] - $z[$a]) * ($y[$c] - $y[$a]);
                $py = ($z[$b] - $z[$a]) * ($x[$c] - $x[$a]) - ($x[$b] - $x[$a]) * ($z[$c] - $z[$a]);
                $pz = ($x[$b] - $x[$a]) * ($y[$c] - $y[$a]) - ($y[$b] - $y[$a]) * ($x[$c] - $x[$a]);
                $third = \sqrt($px * $px + $py * $py + $pz * $pz) / 6;
                $area[$a] += $third;
                $area[$b] += $third;
                $area[$c] += $third;
                foreach ([$a < $b ? ($a << 32) | $b : ($b << 32) | $a, $b < $c ? ($b << 32) | $c : ($c << 32) | $b, $c < $a ? ($c << 32) | $a : ($a << 32) | $c] as $key) {
                    if (! isset($edges[$key])) {
                        $edges[$key] = true;
                        $degree[$key >> 32]++;
                        $degree[$key & 0xFFFFFFFF]++;
                    }
                }
            }
        }
        $first = [0];
        for ($v = 0; $v < $n; $v++) {
            $first[] = $first[$v] + $degree[$v];
        }
        $at = $first;
        $next = \array_fill(0, $first[$n], 0);
        $mm = \array_fill(0, $first[$n], 0.0);
        foreach ($edges as $key => $_) {
            $p = $key >> 32;
            $q = $key & 0xFFFFFFFF;
            $d = \sqrt(($x[$p] - $x[$q]) ** 2 + ($y[$p] - $y[$q]) ** 2 + ($z[$p] - $z[$q]) ** 2);
            $next[$at[$p]] = $q;
            $mm[$at[$p]++] = $d;
            $next[$at[$q]] = $p;
            $mm[$at[$q]++] = $d;
        }

        return new self($first, $next, $mm, $area);
    }

    /**
     * As it was found before.
     *
     * @param  list<int>  $first
     * @param  list<int>  $next
     * @param  list<float>  $mm
     * @param  list<float>  $area
     */
    public static function known(array $first, array $next, array $mm, array $area): self
    {
        return new self($first, $next, $mm, $area);
    }

    public function around(int $vertex): array
    {
        return [$this->first[$vertex], $this->first[$vertex + 1], $this->next, $this->mm];
    }

    /**
     * Values smoothed as heat would smooth them until a point has spread to a Gaussian of that deviation along the surface:
     * explicit steps of the umbrella operator (M. Desbrun and others, Implicit fairing of irregular meshes, 1999).
     *
     * @param  list<float>  $values  by vertex
     * @param  float  $sigma  mm
     * @return list<float>
     *
     * @throws Stopped
     */
    public function smoothed(array $values, float $sigma, ?Progress $progress = null): array
    {
        $n = \count($values);
        // Around a vertex with neighbours at a mean square distance d2, the mean of the neighbours is f + d2/4 Laplace f.
        $per = [];
        for ($v = 0; $v < $n; $v++) {
            $sum = 0.0;
            for ($i = $this->first[$v], $end = $this->first[$v + 1]; $i < $end; $i++) {
                $sum += $this->mm[$i] * $this->mm[$i];
            }
            $count = $this->first[$v + 1] - $this->first[$v];
            $per[] = $count === 0 || $sum <= 0.0 ? 0.0 : 4 * $count / $sum;
        }
        $sorted = $per;
        \sort($sorted);
        $usual = $n === 0 ? 1.0 : \max(1e-12, $sorted[\intdiv($n, 2)]);
        $time = $sigma * $sigma / 2;
        $steps = \max(1, (int) \ceil($time * $usual / self::STABLE));
        $step = $time / $steps;
        for ($k = 0; $k < $steps; $k++) {
            Stopped::unless($progress, $k / $steps);
            $old = $values;
            $values = [];
            for ($v = 0; $v < $n; $v++) {
                $sum = 0.0;
                for ($i = $this->first[$v], $end = $this->first[$v + 1]; $i < $end; $i++) {
                    $sum += $old[$this->next[$i]];
                }
                $count = $this->first[$v + 1] - $this->first[$v];
                $values[] = $count === 0 ? $old[$v] : $old[$v] + \min(self::STABLE, $step * $per[$v]) * ($sum / $count - $old[$v]);
            }
        }

        return $values;
    }

    /**
     * A triangle has the label of two of its corners, or of the first where all differ.
     *
     * @template T of int|null
     *
     * @param  TriangleMesh  $mesh  with all its triangles
     * @param  list<int>|null  $vertexOf  vertex of the surface by vertex of the mesh; null where they are the same
     * @param  list<T>  $labels  by vertex of the surface
     * @return list<T> by triangle
     */
    public static function onTriangles(TriangleMesh $mesh, ?array $vertexOf, array $labels): array
    {
        $of = [];
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                [$a, $b, $c] = $vertexOf === null
                    ? [$labels[$corners[$i]], $labels[$corners[$i + 1]], $labels[$corners[$i + 2]]]
                    : [$labels[$vertexOf[$corners[$i]]], $labels[$vertexOf[$corners[$i + 1]]], $labels[$vertexOf[$corners[$i + 2]]]];
                $of[] = $b === $c ? $b : $a;
            }
        }

        return $of;
    }

    /**
     * Neighbours of one label form a piece.
     *
     * @param  list<int>  $labels  by vertex
     * @return array{list<int>, list<float>} piece of each vertex, from 0, and mm2 by piece
     */
    public function pieces(array $labels): array
    {
        $n = \count($labels);
        $of = \array_fill(0, $n, -1);
        $areas = [];
        for ($start = 0; $start < $n; $start++) {
            if ($of[$start] >= 0) {
                continue;
            }
            $piece = \count($areas);
            $area = 0.0;
            $of[$start] = $piece;
            $open = [$start];
            while ($open !== []) {
                $v = \array_pop($open);
                $area += $this->area[$v];
                for ($i = $this->first[$v], $end = $this->first[$v + 1]; $i < $end; $i++) {
                    $w = $this->next[$i];
                    if ($of[$w] < 0 && $labels[$w] === $labels[$v]) {
                        $of[$w] = $piece;
                        $open[] = $w;
                    }
                }
            }
            $areas[] = $area;
        }

        return [\array_values($of), $areas];
    }

    /**
     * Pieces too small to be painted go to the neighbour they share most of their border with; what stands alone stays.
     *
     * @param  list<int>  $labels  by vertex
     * @param  float  $least  mm2
     * @return list<int>
     */
    public function dissolved(array $labels, float $least, int $sweeps = 8): array
    {
        for ($sweep = 0; $sweep < $sweeps; $sweep++) {
            [$of, $areas] = $this->pieces($labels);
            $border = [];
            foreach ($of as $v => $piece) {
                if ($areas[$piece] >= $least) {
                    continue;
                }
                for ($i = $this->first[$v], $end = $this->first[$v + 1]; $i < $end; $i++) {
                    $w = $this->next[$i];
                    if ($of[$w] !== $piece) {
                        // Into the larger of two small ones, so that they cannot change places for ever.
                        $border[$piece][$of[$w]] = ($border[$piece][$of[$w]] ?? 0.0) + ($areas[$of[$w]] >= $areas[$piece] ? 1.0 : 1e-6);
                    }
                }
            }
            if ($border === []) {
                break;
            }
            $label = [];
            foreach ($of as $v => $piece) {
                $label[$piece] = $labels[$v];
            }
            $into = [];
            foreach ($border as $piece => $others) {
                \arsort($others);
                $into[$piece] = $label[(int) \array_key_first($others)];
            }
            foreach ($of as $v => $piece) {
                $labels[$v] = $into[$piece] ?? $labels[$v];
            }
            $labels = \array_values($labels);
        }

        return $labels;
    }
}

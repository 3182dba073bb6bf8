<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A coarser mesh for shadows and for the screen: vertices of one cell of a grid become their mean (vertex clustering,
 * J. Rossignac and P. Borrel, Multi-resolution 3D approximations, 1993). Shells are never joined, nor the two sides of a thin part such as a cloak. It
 * is not closed any more: areas and borders are taken from the full mesh.
 */
final readonly class Decimation
{
    private const TRIES = 3;

    /** @param  list<int>  $vertexOf  vertex of the coarse mesh by vertex of the full one */
    private function __construct(public TriangleMesh $mesh, public array $vertexOf)
    {
    }

    /**
     * @param  int  $target  triangles wanted, met within a few tenths
     */
    public static function of(TriangleMesh $mesh, MeshMeasures $measures, int $target): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        // Clusters on a surface: each takes about a cell of it, and there are twice as many triangles as vertices.
        $cell = sqrt(2.6 * max(1e-12, $measures->areaMm2) / $target);
        $normals = Normals::onto($mesh, null, \count($x));
        $found = self::clusters($x, $y, $z, $normals, $measures, $cell);
        for ($try = 1; $try < self::TRIES && $found[1] > 0.65 * $target; $try++) {
            $cell *= sqrt(2 * $found[1] / $target);
            $found = self::clusters($x, $y, $z, $normals, $measures, $cell);
        }
        unset($normals);
        [$vertexOf, $count] = $found;

        return new self(TriangleMesh::of(self::means($x, $y, $z, $vertexOf, $count), self::triangles($mesh, $vertexOf)), $vertexOf);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $normals  by vertex
     * @return array{list<int>, int} cluster by vertex, and how many there are
     */
    private static function clusters(array $x, array $y, array $z, array $normals, MeshMeasures $measures, float $cell): array
    {
        [$lx, $ly, $lz] = $measures->boundsMm[0];
        $nx = (int) floor(($measures->boundsMm[1][0] - $lx) / $cell) + 1;
        $ny = (int) floor(($measures->boundsMm[1][1] - $ly) / $cell) + 1;
        $shellOf = $measures->shellOf;
        $shells = $shellOf === [] ? 1 : \max($shellOf) + 1;
        $known = $clusterOf = $firsts = [];
        [$ax, $ay, $az] = $normals;
        $count = 0;
        $per = 1 / $cell;
        foreach ($x as $v => $px) {
            $key = ((((int) (($z[$v] - $lz) * $per)) * $ny + (int) (($y[$v] - $ly) * $per)) * $nx + (int) (($px - $lx) * $per)) * $shells + $shellOf[$v];
            $first = $firsts[$key] ??= $v;
            // What faces away from the first in its cell is the other side of something thin.
            if ($ax[$v] * $ax[$first] + $ay[$v] * $ay[$first] + $az[$v] * $az[$first] < 0) {
                $key = ~$key;
            }
            $clusterOf[] = $known[$key] ??= $count++;
        }

        return [$clusterOf, $count];
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $clusterOf
     */
    private static function means(array $x, array $y, array $z, array $clusterOf, int $count): string
    {
        $sx = $sy = $sz = \array_fill(0, $count, 0.0);
        $n = \array_fill(0, $count, 0);
        foreach ($clusterOf as $v => $c) {
            $sx[$c] += $x[$v];
            $sy[$c] += $y[$v];
            $sz[$c] += $z[$v];
            $n[$c]++;
        }
        $positions = '';
        $out = [];
        foreach ($n as $c => $members) {
            $out[] = $sx[$c] / $members;
            $out[] = $sy[$c] / $members;
            $out[] = $sz[$c] / $members;
            if (\count($out) >= 6144) {
                $positions .= \pack('g*', ...$out);
                $out = [];
            }
        }

        return $positions.\pack('g*', ...$out);
    }

    /** @param  list<int>  $clusterOf */
    private static function triangles(TriangleMesh $mesh, array $clusterOf): string
    {
        $indices = '';
        $seen = [];
        foreach ($mesh->chunks() as $corners) {
            $out = [];
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                $a = $clusterOf[$corners[$i]];
                $b = $clusterOf[$corners[$i + 1]];
                $c = $clusterOf[$corners[$i + 2]];
                if ($a === $b || $b === $c || $c === $a) {
                    continue;
                }
                // Turned so that the least comes first: the same triangle has the same key.
                if ($b < $a && $b < $c) {
                    [$a, $b, $c] = [$b, $c, $a];
                } elseif ($c < $a && $c < $b) {
                    [$a, $b, $c] = [$c, $a, $b];
                }
                $key = (($a * 1048573 + $b) * 1048573) + $c;
                if (! isset($seen[$key])) {
                    $seen[$key] = true;
                    $out[] = $a;
                    $out[] = $b;
                    $out[] = $c;
                }
            }
            $indices .= \pack('V*', ...$out);
        }

        return $indices;
    }
}

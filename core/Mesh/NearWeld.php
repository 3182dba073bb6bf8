<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Joins vertices of open edges that lie within a hair of each other: the same corner, written twice with another last
 * bit. Real holes stay.
 */
final class NearWeld
{
    /** Of the longest side of the box. */
    private const HAIR = 1e-5;

    /**
     * A mesh as it is worked on: welded where it has open edges.
     *
     * @return array{TriangleMesh, MeshMeasures}
     *
     * @throws InvalidMesh when all points lie in one place
     */
    public static function measured(TriangleMesh $mesh): array
    {
        $measures = MeshMeasures::of($mesh);
        if ($measures->openEdges === 0) {
            return [$mesh, $measures];
        }
        $welded = self::of($mesh, $measures);

        return [$welded, MeshMeasures::of($welded)];
    }

    public static function of(TriangleMesh $mesh, MeshMeasures $measures): TriangleMesh
    {
        [$x, $y, $z] = $mesh->coordinates();
        $side = max(1e-12, self::HAIR * $measures->size());
        $cells = $same = [];
        foreach (self::openVertices($mesh) as $v) {
            $home = [(int) floor($x[$v] / $side), (int) floor($y[$v] / $side), (int) floor($z[$v] / $side)];
            $same[$v] = self::near($cells, $home, $v, $x, $y, $z, $side) ?? $v;
            if ($same[$v] === $v) {
                $cells[implode(' ', $home)][] = $v;
            }
        }
        $same = array_filter($same, static fn (int $to, int $from): bool => $to !== $from, ARRAY_FILTER_USE_BOTH);

        return $same === [] ? $mesh : self::joined($mesh, $same);
    }

    /** @return list<int> */
    private static function openVertices(TriangleMesh $mesh): array
    {
        $vertices = [];
        foreach (array_keys(EdgeFront::of($mesh)) as $key) {
            $vertices[$key >> 32] = $vertices[$key & 0xFFFFFFFF] = true;
        }

        return array_keys($vertices);
    }

    /**
     * @param  array<string, list<int>>  $cells
     * @param  array{int, int, int}  $home
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     */
    private static function near(array $cells, array $home, int $v, array $x, array $y, array $z, float $side): ?int
    {
        for ($i = -1; $i <= 1; $i++) {
            for ($j = -1; $j <= 1; $j++) {
                for ($k = -1; $k <= 1; $k++) {
                    foreach ($cells[($home[0] + $i).' '.($home[1] + $j).' '.($home[2] + $k)] ?? [] as $w) {
                        if (($x[$v] - $x[$w]) ** 2 + ($y[$v] - $y[$w]) ** 2 + ($z[$v] - $z[$w]) ** 2 <= $side * $side) {
                            return $w;
                        }
                    }
                }
            }
        }

        return null;
    }

    /** @param  array<int, int>  $same */
    private static function joined(TriangleMesh $mesh, array $same): TriangleMesh
    {
        $indices = '';
        foreach ($mesh->chunks() as $c) {
            $out = [];
            for ($i = 1, $n = count($c); $i < $n; $i += 3) {
                [$p, $q, $r] = [$same[$c[$i]] ?? $c[$i], $same[$c[$i + 1]] ?? $c[$i + 1], $same[$c[$i + 2]] ?? $c[$i + 2]];
                if ($p !== $q && $q !== $r && $r !== $p) {
                    array_push($out, $p, $q, $r);
                }
            }
            $indices .= pack('V*', ...$out);
        }

        return TriangleMesh::of($mesh->positions, $indices);
    }
}

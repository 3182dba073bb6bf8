<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Triangles near a point, by their middles.
 */
final class Nearest
{
    /**
     * @param  array{float, float, float}  $at  mm
     * @return array{int, float} triangle, and how far its middle is, mm
     */
    public static function to(TriangleMesh $mesh, array $at): array
    {
        $nearest = 0;
        $least = \INF;
        foreach (self::squares($mesh, $at) as $t => $square) {
            if ($square < $least) {
                [$nearest, $least] = [$t, $square];
            }
        }

        return [$nearest, \sqrt($least)];
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @return int vertex
     */
    public static function vertex(TriangleMesh $mesh, array $at): int
    {
        [$x, $y, $z] = $mesh->coordinates();
        [$px, $py, $pz] = $at;
        $nearest = 0;
        $least = \INF;
        foreach ($x as $v => $vx) {
            $square = ($vx - $px) ** 2 + ($y[$v] - $py) ** 2 + ($z[$v] - $pz) ** 2;
            if ($square < $least) {
                [$nearest, $least] = [$v, $square];
            }
        }

        return $nearest;
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @param  float  $radius  mm
     * @return list<int> triangles, at least the nearest
     */
    public static function within(TriangleMesh $mesh, array $at, float $radius): array
    {
        $within = [];
        foreach (self::squares($mesh, $at) as $t => $square) {
            if ($square <= $radius * $radius) {
                $within[] = $t;
            }
        }

        return $within ?: [self::to($mesh, $at)[0]];
    }

    /**
     * @param  array{float, float, float}  $at
     * @return iterable<int, float> square of the distance by triangle, mm2
     */
    private static function squares(TriangleMesh $mesh, array $at): iterable
    {
        [$x, $y, $z] = $mesh->coordinates();
        [$px, $py, $pz] = $at;
        $t = 0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3, $t++) {
                [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
                yield $t => (($x[$a] + $x[$b] + $x[$c]) / 3 - $px) ** 2 + (($y[$a] + $y[$b] + $y[$c]) / 3 - $py) ** 2 + (($z[$a] + $z[$b] + $z[$c]) / 3 - $pz) ** 2;
            }
        }
    }
}

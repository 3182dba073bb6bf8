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
        [, $nearest, $least] = self::near($mesh, $at, -1.0);

        return [$nearest, $least];
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @return int vertex
     */
    public static function vertex(TriangleMesh $mesh, array $at): int
    {
        return self::vertices($mesh, [$at])[0];
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $places  mm
     * @return non-empty-list<int> vertex for each of them
     */
    public static function vertices(TriangleMesh $mesh, array $places): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $vertices = [];
        foreach ($places as [$px, $py, $pz]) {
            $nearest = 0;
            $least = \INF;
            foreach ($x as $v => $vx) {
                $dx = $vx - $px;
                $dy = $y[$v] - $py;
                $dz = $z[$v] - $pz;
                // A product is several times as fast as a power.
                $square = $dx * $dx + $dy * $dy + $dz * $dz;
                if ($square < $least) {
                    [$nearest, $least] = [$v, $square];
                }
            }
            $vertices[] = $nearest;
        }

        return $vertices;
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @param  float  $radius  mm
     * @return list<int> triangles, at least the nearest
     */
    public static function within(TriangleMesh $mesh, array $at, float $radius): array
    {
        [$within, $nearest] = self::near($mesh, $at, $radius);

        return $within ?: [$nearest];
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @param  float  $radius  mm; negative for the nearest alone
     * @return array{list<int>, int, float} triangles within the radius, the nearest of all, and how far it is, mm
     */
    public static function near(TriangleMesh $mesh, array $at, float $radius): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        // Three times as far, so that corners need not be divided.
        [$px, $py, $pz] = [3 * $at[0], 3 * $at[1], 3 * $at[2]];
        $most = $radius < 0.0 ? -1.0 : 9 * $radius * $radius;
        $least = \INF;
        $within = [];
        $nearest = $t = 0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3, $t++) {
                $a = $corners[$i];
                $b = $corners[$i + 1];
                $c = $corners[$i + 2];
                $dx = $x[$a] + $x[$b] + $x[$c] - $px;
                $dy = $y[$a] + $y[$b] + $y[$c] - $py;
                $dz = $z[$a] + $z[$b] + $z[$c] - $pz;
                $square = $dx * $dx + $dy * $dy + $dz * $dz;
                if ($square <= $most) {
                    $within[] = $t;
                }
                if ($square < $least) {
                    $least = $square;
                    $nearest = $t;
                }
            }
        }

        return [$within, $nearest, $least === \INF ? 0.0 : \sqrt($least / 9)];
    }
}

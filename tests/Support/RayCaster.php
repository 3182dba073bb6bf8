<?php

declare(strict_types=1);

namespace Tests\Support;

use Hyalin\Light\SprayCone;
use Hyalin\Mesh\TriangleMesh;

/**
 * Shadows by plain rays through every triangle (T. Moeller, B. Trumbore, Journal of Graphics Tools 2, 1997): slow, and
 * nothing is shared with what it checks.
 */
final class RayCaster
{
    private const LIFT = 1e-4;

    /**
     * @param  list<array{float, float, float}>  $directions
     * @return list<list<bool>> by direction and vertex: whether the way to the light is free
     */
    public static function bits(TriangleMesh $mesh, array $directions): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $free = [];
        foreach ($directions as $d) {
            $row = [];
            foreach ($x as $v => $px) {
                $row[] = ! self::hits([$px, $y[$v], $z[$v]], $d, $v, $corners, $x, $y, $z);
            }
            $free[] = $row;
        }

        return $free;
    }

    /**
     * @param  array{float, float, float}  $o
     * @param  array{float, float, float}  $d
     * @param  list<int>  $corners
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     */
    private static function hits(array $o, array $d, int $own, array $corners, array $x, array $y, array $z): bool
    {
        for ($t = 0, $n = count($corners); $t < $n; $t += 3) {
            [$a, $b, $c] = [$corners[$t], $corners[$t + 1], $corners[$t + 2]];
            // Triangles around the vertex itself start where the ray does.
            if ($a === $own || $b === $own || $c === $own) {
                continue;
            }
            [$e1x, $e1y, $e1z] = [$x[$b] - $x[$a], $y[$b] - $y[$a], $z[$b] - $z[$a]];
            [$e2x, $e2y, $e2z] = [$x[$c] - $x[$a], $y[$c] - $y[$a], $z[$c] - $z[$a]];
            [$px, $py, $pz] = [$d[1] * $e2z - $d[2] * $e2y, $d[2] * $e2x - $d[0] * $e2z, $d[0] * $e2y - $d[1] * $e2x];
            $det = $e1x * $px + $e1y * $py + $e1z * $pz;
            if (abs($det) < 1e-12) {
                continue;
            }
            [$tx, $ty, $tz] = [$o[0] - $x[$a], $o[1] - $y[$a], $o[2] - $z[$a]];
            $u = ($tx * $px + $ty * $py + $tz * $pz) / $det;
            if ($u < 0 || $u > 1) {
                continue;
            }
            [$qx, $qy, $qz] = [$ty * $e1z - $tz * $e1y, $tz * $e1x - $tx * $e1z, $tx * $e1y - $ty * $e1x];
            $v = ($d[0] * $qx + $d[1] * $qy + $d[2] * $qz) / $det;
            if ($v >= 0 && $u + $v <= 1 && ($e2x * $qx + $e2y * $qy + $e2z * $qz) / $det > self::LIFT) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<int, int>  $corners  from 1 on
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<list<bool>>  $free
     * @return list<float> exposure of each triangle
     */
    public static function exposure(array $corners, array $x, array $y, array $z, array $free, SprayCone $cone): array
    {
        $all = [];
        for ($i = 1; $i < count($corners); $i += 3) {
            [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
            $n = [
                ($y[$b] - $y[$a]) * ($z[$c] - $z[$a]) - ($z[$b] - $z[$a]) * ($y[$c] - $y[$a]),
                ($z[$b] - $z[$a]) * ($x[$c] - $x[$a]) - ($x[$b] - $x[$a]) * ($z[$c] - $z[$a]),
                ($x[$b] - $x[$a]) * ($y[$c] - $y[$a]) - ($y[$b] - $y[$a]) * ($x[$c] - $x[$a]),
            ];
            $length = sqrt($n[0] ** 2 + $n[1] ** 2 + $n[2] ** 2) ?: 1.0;
            $sum = 0.0;
            foreach ($cone->directions as $k => $d) {
                $cos = max(0.0, ($n[0] * $d[0] + $n[1] * $d[1] + $n[2] * $d[2]) / $length);
                $sum += $cos * ((int) $free[$k][$a] + (int) $free[$k][$b] + (int) $free[$k][$c]) / 3;
            }
            $all[] = min(1.0, $sum / $cone->full());
        }

        return $all;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * Normals of length 1, from the way triangles run; those stored in files are often wrong.
 */
final class Normals
{
    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @return array{array<int, float>, array<int, float>, array<int, float>} by vertex, the mean of its triangles weighed by their area; 0 for a vertex of none
     */
    public static function ofVertices(array $x, array $y, array $z, array $corners): array
    {
        $nx = $ny = $nz = \array_fill(0, \count($x), 0.0);
        for ($t = 0, $n = \count($corners); $t < $n; $t += 3) {
            $a = $corners[$t];
            $b = $corners[$t + 1];
            $c = $corners[$t + 2];
            $ux = $x[$b] - $x[$a];
            $uy = $y[$b] - $y[$a];
            $uz = $z[$b] - $z[$a];
            $vx = $x[$c] - $x[$a];
            $vy = $y[$c] - $y[$a];
            $vz = $z[$c] - $z[$a];
            $px = $uy * $vz - $uz * $vy;
            $py = $uz * $vx - $ux * $vz;
            $pz = $ux * $vy - $uy * $vx;
            $nx[$a] += $px;
            $ny[$a] += $py;
            $nz[$a] += $pz;
            $nx[$b] += $px;
            $ny[$b] += $py;
            $nz[$b] += $pz;
            $nx[$c] += $px;
            $ny[$c] += $py;
            $nz[$c] += $pz;
        }
        foreach ($nx as $i => $px) {
            $length = \sqrt($px * $px + $ny[$i] * $ny[$i] + $nz[$i] * $nz[$i]);
            if ($length > 1e-20) {
                $nx[$i] = $px / $length;
                $ny[$i] /= $length;
                $nz[$i] /= $length;
            }
        }

        return [$nx, $ny, $nz];
    }
}

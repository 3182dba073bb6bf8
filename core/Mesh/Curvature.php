<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * How sharply a surface bends: the mean curvature, half the divergence of its unit normals (do Carmo 1976). Normals are summed
 * over all triangles of the mesh itself, whatever its working mesh has lost of them, so that the same sculpt bends alike at
 * any number of triangles.
 */
final class Curvature
{
    /**
     * @param  TriangleMesh  $mesh  with all its triangles
     * @param  list<int>|null  $vertexOf  vertex of the working mesh by vertex of this one; null where they are the same
     * @param  TriangleMesh  $working  coarser, or the same
     * @return list<float> per mm by working vertex: 1/R on a ball, positive over ridges, negative in grooves; 0 for a vertex of no triangle
     */
    public static function ofVertices(TriangleMesh $mesh, ?array $vertexOf, TriangleMesh $working): array
    {
        [$nx, $ny, $nz] = Normals::onto($mesh, $vertexOf, $working->vertices());
        [$x, $y, $z] = $working->coordinates();
        $sum = $area = \array_fill(0, \count($x), 0.0);
        foreach ($working->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
                $ux = $x[$b] - $x[$a];
                $uy = $y[$b] - $y[$a];
                $uz = $z[$b] - $z[$a];
                $vx = $x[$c] - $x[$a];
                $vy = $y[$c] - $y[$a];
                $vz = $z[$c] - $z[$a];
                $px = $uy * $vz - $uz * $vy;
                $py = $uz * $vx - $ux * $vz;
                $pz = $ux * $vy - $uy * $vx;
                $twice = \sqrt($px * $px + $py * $py + $pz * $pz);
                if ($twice < 1e-12) {
                    continue;
                }
                $px /= $twice;
                $py /= $twice;
                $pz /= $twice;
                // Of a field that is linear on the triangle: twice its area times the divergence is the sum over corners of
                // N . (n x the edge across), by the gradients of the corner weights.
                $div = 0.0;
                foreach ([[$a, $vx - $ux, $vy - $uy, $vz - $uz], [$b, -$vx, -$vy, -$vz], [$c, $ux, $uy, $uz]] as [$v, $ex, $ey, $ez]) {
                    $div += $nx[$v] * ($py * $ez - $pz * $ey) + $ny[$v] * ($pz * $ex - $px * $ez) + $nz[$v] * ($px * $ey - $py * $ex);
                }
                foreach ([$a, $b, $c] as $v) {
                    $sum[$v] += $div;
                    $area[$v] += $twice;
                }
            }
        }
        $curvature = [];
        foreach ($sum as $v => $div) {
            $curvature[] = $area[$v] > 0.0 ? $div / $area[$v] / 2 : 0.0;
        }

        return $curvature;
    }

    /**
     * Angular deficit of each vertex: a full turn less the angles around it (Gauss and Bonnet).
     *
     * @return list<float> Gaussian curvature times the mm2 around each vertex: positive on a hill, negative on a saddle
     */
    public static function deficits(TriangleMesh $mesh): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $lacks = \array_fill(0, \count($x), 0.0);
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                for ($k = 0; $k < 3; $k++) {
                    [$a, $b, $c] = [$corners[$i + $k], $corners[$i + ($k + 1) % 3], $corners[$i + ($k + 2) % 3]];
                    [$ux, $uy, $uz] = [$x[$b] - $x[$a], $y[$b] - $y[$a], $z[$b] - $z[$a]];
                    [$vx, $vy, $vz] = [$x[$c] - $x[$a], $y[$c] - $y[$a], $z[$c] - $z[$a]];
                    $dot = $ux * $vx + $uy * $vy + $uz * $vz;
                    $cross = \sqrt(($uy * $vz - $uz * $vy) ** 2 + ($uz * $vx - $ux * $vz) ** 2 + ($ux * $vy - $uy * $vx) ** 2);
                    $lacks[$a] -= \atan2($cross, $dot);
                }
            }
        }

        return \array_values(\array_map(static fn (float $lack): float => $lack === 0.0 ? 0.0 : $lack + 2 * M_PI, $lacks));
    }
}

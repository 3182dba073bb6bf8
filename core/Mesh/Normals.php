<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Normals of length 1, from the way triangles run; those stored in files are often wrong.
 */
final class Normals
{
    /**
     * Of a mesh whose lists are decoded already.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @return array{array<int, float>, array<int, float>, array<int, float>} by vertex, the mean of its triangles weighed by their area; 0 for a vertex of none
     */
    public static function ofVertices(array $x, array $y, array $z, array $corners): array
    {
        return self::summed([$corners], 0, $x, $y, $z, null, \count($x));
    }

    /**
     * Of a mesh onto the vertices of its working mesh, chunk by chunk.
     *
     * @param  list<int>|null  $vertexOf  vertex of the working mesh by vertex of this one; null where they are the same
     * @param  int  $count  vertices of the working mesh
     * @return array{array<int, float>, array<int, float>, array<int, float>} by vertex of the working mesh, as above
     */
    public static function onto(TriangleMesh $mesh, ?array $vertexOf, int $count): array
    {
        [$x, $y, $z] = $mesh->coordinates();

        return self::summed($mesh->chunks(), 1, $x, $y, $z, $vertexOf, $count);
    }

    /**
     * The hot loop: flat lists.
     *
     * @param  iterable<array<int, int>>  $parts  corners, three after three
     * @param  int  $first  place of the first in each part
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>|null  $vertexOf
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    private static function summed(iterable $parts, int $first, array $x, array $y, array $z, ?array $vertexOf, int $count): array
    {
        $nx = $ny = $nz = \array_fill(0, $count, 0.0);
        foreach ($parts as $corners) {
            for ($t = $first, $end = \count($corners) + $first; $t < $end; $t += 3) {
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
                if ($vertexOf !== null) {
                    $a = $vertexOf[$a];
                    $b = $vertexOf[$b];
                    $c = $vertexOf[$c];
                }
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
        }
        foreach ($nx as $v => $px) {
            $length = \sqrt($px * $px + $ny[$v] * $ny[$v] + $nz[$v] * $nz[$v]);
            if ($length > 1e-20) {
                $nx[$v] = $px / $length;
                $ny[$v] /= $length;
                $nz[$v] /= $length;
            }
        }

        return [$nx, $ny, $nz];
    }
}

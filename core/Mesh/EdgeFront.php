<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The edges that a pass over all triangles leaves unmatched.
 */
final class EdgeFront
{
    /**
     * Every edge is entered by its first triangle and struck out by the second, so that the table holds only the front
     * between what was read and what was not.
     *
     * @return array<int, int> by edge, its lower vertex in the upper 32 bits: 1 or -1 for an open edge, anything else for
     *                         triangles that run the same way round
     */
    public static function of(TriangleMesh $mesh): array
    {
        $front = [];
        foreach ($mesh->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3) {
                $p = $c[$i + 2];
                for ($k = 0; $k < 3; $k++) {
                    $q = $c[$i + $k];
                    $key = $p < $q ? ($p << 32) | $q : ($q << 32) | $p;
                    $sum = ($front[$key] ?? 0) + ($p < $q ? 1 : -1);
                    if ($sum === 0) {
                        unset($front[$key]);
                    } else {
                        $front[$key] = $sum;
                    }
                    $p = $q;
                }
            }
        }

        return $front;
    }
}

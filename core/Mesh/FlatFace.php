<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A face that a part is joined by: where its middle lies and which way it looks.
 */
final readonly class FlatFace
{
    /** mm about a point that a face is looked for in at first: a large print is not gone through for a small peg. */
    private const NEAR = 8.0;

    /** Degrees by which neighbours of one face may differ: a printed face is made of facets. */
    private const FLAT = 12.0;

    /**
     * @param  array{float, float, float}  $centre  mm
     * @param  array{float, float, float}  $normal  outwards, of length 1
     */
    public function __construct(public array $centre, public array $normal, public float $mm2)
    {
    }

    /**
     * The face at a point of a mesh.
     *
     * @param  array{float, float, float}  $at  mm
     *
     * @throws InvalidMesh when it has no area
     */
    public static function at(TriangleMesh $mesh, array $at): self
    {
        [$seed] = Nearest::to($mesh, $at);
        $corners = $mesh->corners();
        for ($near = self::NEAR; ; $near *= 4) {
            $around = array_fill_keys(Nearest::within($mesh, $at, $near), true) + [$seed => true];
            $isAll = count($around) === $mesh->triangles();
            ksort($around);
            $indices = '';
            foreach (array_keys($around) as $t) {
                $indices .= pack('V3', $corners[3 * $t], $corners[3 * $t + 1], $corners[3 * $t + 2]);
            }
            $piece = TriangleMesh::of($mesh->positions, $indices);
            $own = (int) array_search($seed, array_keys($around), true);
            $edges = Adjacency::of($piece);
            $face = Regions::grown($edges, $own, self::FLAT);
            // A face that reaches the end of the piece goes on beyond it.
            if ($isAll || self::farthest($piece, array_keys($face), $at) < 0.8 * $near) {
                return self::around($piece, $edges, $own);
            }
        }
    }

    /**
     * The face around a triangle, as far as no edge bends it.
     *
     * @param  int  $triangle  from 0
     *
     * @throws InvalidMesh when it has no area
     */
    public static function around(TriangleMesh $mesh, Adjacency $edges, int $triangle): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $sum = $centre = [0.0, 0.0, 0.0];
        $mm2 = 0.0;
        foreach (array_keys(Regions::grown($edges, $triangle, self::FLAT)) as $t) {
            [$a, $b, $c] = [$corners[3 * $t], $corners[3 * $t + 1], $corners[3 * $t + 2]];
            $u = [$x[$b] - $x[$a], $y[$b] - $y[$a], $z[$b] - $z[$a]];
            $v = [$x[$c] - $x[$a], $y[$c] - $y[$a], $z[$c] - $z[$a]];
            $sum = [$sum[0] + ($u[1] * $v[2] - $u[2] * $v[1]) / 2, $sum[1] + ($u[2] * $v[0] - $u[0] * $v[2]) / 2, $sum[2] + ($u[0] * $v[1] - $u[1] * $v[0]) / 2];
            $area = $edges->area[$t];
            $mm2 += $area;
            $centre = [$centre[0] + $area * ($x[$a] + $x[$b] + $x[$c]) / 3, $centre[1] + $area * ($y[$a] + $y[$b] + $y[$c]) / 3, $centre[2] + $area * ($z[$a] + $z[$b] + $z[$c]) / 3];
        }
        $length = sqrt($sum[0] ** 2 + $sum[1] ** 2 + $sum[2] ** 2);
        if ($length < 1e-12) {
            throw InvalidMesh::noFace($triangle);
        }

        return new self([$centre[0] / $mm2, $centre[1] / $mm2, $centre[2] / $mm2], [$sum[0] / $length, $sum[1] / $length, $sum[2] / $length], $mm2);
    }

    /**
     * @param  list<int>  $face
     * @param  array{float, float, float}  $at
     */
    private static function farthest(TriangleMesh $mesh, array $face, array $at): float
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $far = 0.0;
        foreach ($face as $t) {
            for ($k = 0; $k < 3; $k++) {
                $v = $corners[3 * $t + $k];
                $far = max($far, ($x[$v] - $at[0]) ** 2 + ($y[$v] - $at[1]) ** 2 + ($z[$v] - $at[2]) ** 2);
            }
        }

        return sqrt($far);
    }
}

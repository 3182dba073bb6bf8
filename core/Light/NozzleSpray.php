<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\Normals;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * A spray from a place near by: paint flies straight from the nozzle, thinner towards the rim of its cone and with the square
 * of the way. Shadows are those of Visibility in a space where the nozzle lies infinitely far away: a projective map takes
 * straight lines to straight lines, and the rays from one point to parallel ones (J. D. Foley and others, Computer Graphics:
 * Principles and Practice, 1990, 6.5).
 */
final class NozzleSpray
{
    /** Places around the nozzle, as the hand moves, and how far from it, of the distance: own choice. */
    private const PLACES = 7;

    private const MOVES = 0.04;

    /** Of the distance: what lies nearer to the nozzle is beside it or behind. */
    private const NEAREST = 0.05;

    private const RESOLUTION = 512;

    /**
     * @param  array{float, float, float}  $nozzle  mm
     * @param  array{float, float, float}  $aim  where it points, mm; what faces it there receives 1
     * @param  float  $spread  half angle of the cone that holds 86 % of the paint (1/e2), degrees, above 0 to 90
     * @return array<int, float> 0..1 by vertex
     *
     * @throws InvalidLight when nozzle and aim are one point
     * @throws Stopped
     */
    public static function ofVertices(TriangleMesh $mesh, array $nozzle, array $aim, float $spread, ?Progress $progress = null): array
    {
        [$wx, $wy, $wz] = [$nozzle[0] - $aim[0], $nozzle[1] - $aim[1], $nozzle[2] - $aim[2]];
        $distance = sqrt($wx * $wx + $wy * $wy + $wz * $wz);
        if (! ($distance > 1e-9) || ! is_finite($distance)) {
            throw InvalidLight::axis();
        }
        $w = [$wx / $distance, $wy / $distance, $wz / $distance];
        [$u, $v] = SprayCone::across($w);
        [$x, $y, $z] = $mesh->coordinates();
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $mesh->corners());
        $narrow = $spread >= 90.0 ? 0.0 : 2 / tan(deg2rad(max(1.0, $spread))) ** 2;
        $sum = array_fill(0, count($x), 0.0);
        for ($k = 0; $k < self::PLACES; $k++) {
            Stopped::unless($progress, $k / self::PLACES);
            $by = $k === 0 ? 0.0 : self::MOVES * $distance;
            [$cos, $sin] = [$by * cos(2 * M_PI * $k / (self::PLACES - 1)), $by * sin(2 * M_PI * $k / (self::PLACES - 1))];
            $place = [$nozzle[0] + $cos * $u[0] + $sin * $v[0], $nozzle[1] + $cos * $u[1] + $sin * $v[1], $nozzle[2] + $cos * $u[2] + $sin * $v[2]];
            $seen = Visibility::of(self::projected($mesh, [$x, $y, $z], $place, [$u, $v, $w], $distance), [[0.0, 0.0, 1.0]], resolution: self::RESOLUTION)->bits[0];
            foreach ($x as $i => $px) {
                if ($seen[$i] === 0) {
                    continue;
                }
                [$qx, $qy, $qz] = [$place[0] - $px, $place[1] - $y[$i], $place[2] - $z[$i]];
                $square = $qx * $qx + $qy * $qy + $qz * $qz;
                $depth = $qx * $w[0] + $qy * $w[1] + $qz * $w[2];
                $facing = $nx[$i] * $qx + $ny[$i] * $qy + $nz[$i] * $qz;
                if ($facing > 0.0 && $depth > self::NEAREST * $distance) {
                    $tan2 = $square / ($depth * $depth) - 1;
                    $sum[$i] += $facing / \sqrt($square) * $distance * $distance / $square * \exp(-$narrow * $tan2);
                }
            }
        }

        return array_map(static fn (float $e): float => min(1.0, $e / self::PLACES), $sum);
    }

    /**
     * The mesh as it is with the nozzle infinitely far up: unchanged in size at the distance of the aim.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $coordinates  of the mesh
     * @param  array{float, float, float}  $place  of the nozzle
     * @param  list<array{float, float, float}>  $axes  two across the spray, and against it
     */
    private static function projected(TriangleMesh $mesh, array $coordinates, array $place, array $axes, float $distance): TriangleMesh
    {
        [$x, $y, $z] = $coordinates;
        [$u, $v, $w] = $axes;
        $bytes = '';
        $out = [];
        foreach ($x as $i => $px) {
            [$qx, $qy, $qz] = [$px - $place[0], $y[$i] - $place[1], $z[$i] - $place[2]];
            $depth = \max(self::NEAREST * $distance, -($qx * $w[0] + $qy * $w[1] + $qz * $w[2]));
            $out[] = $distance * ($qx * $u[0] + $qy * $u[1] + $qz * $u[2]) / $depth;
            $out[] = $distance * ($qx * $v[0] + $qy * $v[1] + $qz * $v[2]) / $depth;
            $out[] = $distance * $distance / $depth;
            if (\count($out) >= 6144) {
                $bytes .= \pack('g*', ...$out);
                $out = [];
            }
        }

        return TriangleMesh::of($bytes.\pack('g*', ...$out), $mesh->indices);
    }
}

<?php

declare(strict_types=1);

namespace Database\Demo;

/**
 * Distances of a few solids, for the pictures of the demo. Plain floats: a picture asks for them some ten million
 * times. After I. Quilez's published distance functions (from memory).
 */
final class Vector
{
    public static function sphere(float $x, float $y, float $z, float $cx, float $cy, float $cz, float $r): float
    {
        return \sqrt(($x - $cx) ** 2 + ($y - $cy) ** 2 + ($z - $cz) ** 2) - $r;
    }

    public static function ellipsoid(float $x, float $y, float $z, float $rx, float $ry, float $rz): float
    {
        $k0 = \sqrt(($x / $rx) ** 2 + ($y / $ry) ** 2 + ($z / $rz) ** 2);
        $k1 = \sqrt(($x / ($rx * $rx)) ** 2 + ($y / ($ry * $ry)) ** 2 + ($z / ($rz * $rz)) ** 2);

        return $k1 > 1e-9 ? $k0 * ($k0 - 1) / $k1 : -\min($rx, $ry, $rz);
    }

    /** A segment with a radius at each end. */
    public static function capsule(
        float $x, float $y, float $z,
        float $ax, float $ay, float $az, float $bx, float $by, float $bz,
        float $ra, float $rb,
    ): float {
        $ux = $bx - $ax;
        $uy = $by - $ay;
        $uz = $bz - $az;
        $h = (($x - $ax) * $ux + ($y - $ay) * $uy + ($z - $az) * $uz) / ($ux * $ux + $uy * $uy + $uz * $uz);
        $h = \max(0.0, \min(1.0, $h));

        return \sqrt(($x - $ax - $h * $ux) ** 2 + ($y - $ay - $h * $uy) ** 2 + ($z - $az - $h * $uz) ** 2)
            - ($ra + $h * ($rb - $ra));
    }

    /** An upright cylinder. */
    public static function cylinder(float $x, float $y, float $z, float $radius, float $half): float
    {
        $dx = \sqrt($x * $x + $z * $z) - $radius;
        $dy = \abs($y) - $half;

        return \min(\max($dx, $dy), 0.0) + \sqrt(\max($dx, 0.0) ** 2 + \max($dy, 0.0) ** 2);
    }
}

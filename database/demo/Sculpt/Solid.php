<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

/**
 * Distances of a few solids and how they are joined, in mm. Plain floats: a sculpt asks for them some ten million times.
 * After I. Quilez's published distance functions (from memory).
 */
final class Solid
{
    public static function sphere(float $x, float $y, float $z, float $cx, float $cy, float $cz, float $r): float
    {
        return \sqrt(($x - $cx) ** 2 + ($y - $cy) ** 2 + ($z - $cz) ** 2) - $r;
    }

    /** About the origin. Nearly a distance, never far too long. */
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
        $h = $h < 0.0 ? 0.0 : ($h > 1.0 ? 1.0 : $h);

        return \sqrt(($x - $ax - $h * $ux) ** 2 + ($y - $ay - $h * $uy) ** 2 + ($z - $az - $h * $uz) ** 2)
            - ($ra + $h * ($rb - $ra));
    }

    /** An upright cylinder about the origin, its rim rounded. */
    public static function cylinder(float $x, float $y, float $z, float $radius, float $half, float $round = 0.0): float
    {
        $dx = \sqrt($x * $x + $y * $y) - $radius + $round;
        $dz = \abs($z) - $half + $round;

        return \min(\max($dx, $dz), 0.0) + \sqrt(\max($dx, 0.0) ** 2 + \max($dz, 0.0) ** 2) - $round;
    }

    /** A box about the origin with half sides, its edges rounded. */
    public static function box(float $x, float $y, float $z, float $hx, float $hy, float $hz, float $round): float
    {
        $dx = \abs($x) - $hx + $round;
        $dy = \abs($y) - $hy + $round;
        $dz = \abs($z) - $hz + $round;

        return \min(\max($dx, $dy, $dz), 0.0) + \sqrt(\max($dx, 0.0) ** 2 + \max($dy, 0.0) ** 2 + \max($dz, 0.0) ** 2) - $round;
    }

    /** A ring about the z axis. */
    public static function ring(float $x, float $y, float $z, float $radius, float $tube): float
    {
        return \sqrt((\sqrt($x * $x + $y * $y) - $radius) ** 2 + $z * $z) - $tube;
    }

    /** Two solids as one, their seam filled over the width k. */
    public static function blend(float $a, float $b, float $k): float
    {
        $h = $k - \abs($a - $b);

        return $h > 0.0 ? \min($a, $b) - $h * $h / (4 * $k) : \min($a, $b);
    }

    /** What is left of a when b is cut away, the edge rounded over the width k. */
    public static function cut(float $a, float $b, float $k): float
    {
        return -self::blend(-$a, $b, $k);
    }

    /** @return float 0 up to $from, 1 from $to on, smooth between; $to may be below $from */
    public static function step(float $from, float $to, float $v): float
    {
        $t = ($v - $from) / ($to - $from);
        $t = $t < 0.0 ? 0.0 : ($t > 1.0 ? 1.0 : $t);

        return $t * $t * (3 - 2 * $t);
    }
}

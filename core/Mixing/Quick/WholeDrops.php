<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

use Hyalin\Mixing\Found\MixScore;

/**
 * Ratios of one set of two or three paints in the linear model. Points are x, y, z and weights t as LocalModel gives
 * them.
 */
final class WholeDrops
{
    /** 1.5 x 2^52: added to a double and taken away again, it leaves the nearest whole number, without a call. */
    private const ROUNDS = 6755399441055744.0;

    /**
     * The mix nearest to the target when drops could be divided, each share at least one in $maxDrops.
     *
     * @param  array{list<float>, list<float>, list<float>, list<float>}  $points
     * @return array{list<float>, float} volume fractions adding up to 1, and the linear distance there
     */
    public static function projection(array $points, int $maxDrops): array
    {
        [$x, $y, $z, $t] = $points;
        $least = 1 / $maxDrops;
        if (! isset($x[2])) {
            [$c0, $c1, $dx, $dy, $dz] = self::footOfPair($x[0], $y[0], $z[0], $t[0], $x[1], $y[1], $z[1], $t[1], $least);

            return [[$c0, $c1], \sqrt($dx * $dx + $dy * $dy + $dz * $dz)];
        }
        [$c0, $c1, $c2, $dx, $dy, $dz] = self::footOfTriple(
            $x[0], $y[0], $z[0], $t[0], $x[1], $y[1], $z[1], $t[1], $x[2], $y[2], $z[2], $t[2], $least,
        );

        return [[$c0, $c1, $c2], \sqrt($dx * $dx + $dy * $dy + $dz * $dz)];
    }

    /**
     * @param  float  $least  least share of each paint
     * @return array{float, float, float, float, float} volume fractions adding up to 1, and the linear point there
     */
    public static function footOfPair(
        float $x0, float $y0, float $z0, float $t0, float $x1, float $y1, float $z1, float $t1, float $least,
    ): array {
        $w = self::onSegment($x0, $y0, $z0, $x1, $y1, $z1);
        $c0 = (1.0 - $w) / $t0;
        $c1 = $w / $t1;
        $c0 /= $c0 + $c1;
        $c0 = $c0 > $least ? $c0 : $least;
        $c1 = 1.0 - $c0 > $least ? 1.0 - $c0 : $least;
        $sum = $c0 + $c1;
        $v0 = $c0 * $t0;
        $v1 = $c1 * $t1;
        $v = $v0 + $v1;

        return [
            $c0 / $sum,
            $c1 / $sum,
            ($v0 * $x0 + $v1 * $x1) / $v,
            ($v0 * $y0 + $v1 * $y1) / $v,
            ($v0 * $z0 + $v1 * $z1) / $v,
        ];
    }

    /**
     * @param  float  $least  least share of each paint
     * @return array{float, float, float, float, float, float} volume fractions adding up to 1, and the linear point
     *                                                         there
     */
    public static function footOfTriple(
        float $x0, float $y0, float $z0, float $t0, float $x1, float $y1, float $z1, float $t1,
        float $x2, float $y2, float $z2, float $t2, float $least,
    ): array {
        [$w0, $w1, $w2] = self::onTriangle($x0, $y0, $z0, $x1, $y1, $z1, $x2, $y2, $z2);
        $c0 = $w0 / $t0;
        $c1 = $w1 / $t1;
        $c2 = $w2 / $t2;
        $sum = $c0 + $c1 + $c2;
        $c0 = $c0 > $least * $sum ? $c0 / $sum : $least;
        $c1 = $c1 > $least * $sum ? $c1 / $sum : $least;
        $c2 = $c2 > $least * $sum ? $c2 / $sum : $least;
        $sum = $c0 + $c1 + $c2;
        $v0 = $c0 * $t0;
        $v1 = $c1 * $t1;
        $v2 = $c2 * $t2;
        $v = $v0 + $v1 + $v2;

        return [
            $c0 / $sum,
            $c1 / $sum,
            $c2 / $sum,
            ($v0 * $x0 + $v1 * $x1 + $v2 * $x2) / $v,
            ($v0 * $y0 + $v1 * $y1 + $v2 * $y2) / $v,
            ($v0 * $z0 + $v1 * $z1 + $v2 * $z2) / $v,
        ];
    }

    /** @return float how far the plane through a point, along two directions, passes from the origin; 0 if they are one */
    public static function planeDistance(
        float $ex, float $ey, float $ez, float $fx, float $fy, float $fz, float $x, float $y, float $z,
    ): float {
        $nx = $ey * $fz - $ez * $fy;
        $ny = $ez * $fx - $ex * $fz;
        $nz = $ex * $fy - $ey * $fx;
        $nn = $nx * $nx + $ny * $ny + $nz * $nz;

        return $nn > 1e-18 ? \abs($nx * $x + $ny * $y + $nz * $z) / \sqrt($nn) : 0.0;
    }

    /**
     * The best linear score of a mix of three paints near the given shares: for each total the drops are rounded.
     *
     * @param  float  $c1  share of the first paint, >= 0; the three need not add up to 1
     * @return float INF when none is within $limit
     */
    public static function score(
        float $x1, float $y1, float $z1, float $x2, float $y2, float $z2, float $x3, float $y3, float $z3,
        float $t1, float $t2, float $t3, float $c1, float $c2, float $c3, int $maxDrops, float $limit,
    ): float {
        $sum = $c1 + $c2 + $c3;
        $c1 /= $sum;
        $c2 /= $sum;
        $best = $limit;
        $found = INF;
        $effort = 2 * MixScore::PER_PAINT + MixScore::PER_DROP;
        $most = (float) $maxDrops;
        for ($n = 3.0; $n <= $most; $n += 1.0) {
            $effort += MixScore::PER_DROP;
            $room = $best - $effort;
            if ($room < 0.0) {
                break;
            }
            // Whole drops held as floats: one type for the whole loop.
            $d1 = $c1 * $n + self::ROUNDS - self::ROUNDS;
            $d2 = $c2 * $n + self::ROUNDS - self::ROUNDS;
            if ($d1 < 1.0) {
                $d1 = 1.0;
            }
            if ($d2 < 1.0) {
                $d2 = 1.0;
            }
            $d3 = $n - $d1 - $d2;
            if ($d3 < 1.0) {
                // Rounding took the last drop: the larger of the other two gives it back.
                if ($d1 > $d2) {
                    $d1 += $d3 - 1.0;
                } else {
                    $d2 += $d3 - 1.0;
                }
                $d3 = 1.0;
            }
            $v1 = $d1 * $t1;
            $v2 = $d2 * $t2;
            $v3 = $d3 * $t3;
            $v = $v1 + $v2 + $v3;
            $dx = $v1 * $x1 + $v2 * $x2 + $v3 * $x3;
            $dy = $v1 * $y1 + $v2 * $y2 + $v3 * $y3;
            $dz = $v1 * $z1 + $v2 * $z2 + $v3 * $z3;
            $squared = $dx * $dx + $dy * $dy + $dz * $dz;
            if ($squared <= $room * $room * $v * $v) {
                $best = \sqrt($squared) / $v + $effort;
                $found = $best;
            }
        }

        return $found;
    }

    /**
     * The best whole-drop ratios around the given shares.
     *
     * @param  array{list<float>, list<float>, list<float>, list<float>}  $points
     * @param  list<float>  $fractions  adding up to 1
     * @param  int  $most  no more than so many
     * @return list<array{float, list<int>}> linear score and drops, best first; the ratios are in lowest terms and differ
     */
    public static function around(array $points, array $fractions, int $maxDrops, int $most): array
    {
        [$x, $y, $z, $t] = $points;
        $three = isset($fractions[2]);
        [$x0, $x1] = $x;
        [$y0, $y1] = $y;
        [$z0, $z1] = $z;
        [$t0, $t1] = $t;
        [$x2, $y2, $z2, $t2] = $three ? [$x[2], $y[2], $z[2], $t[2]] : [0.0, 0.0, 0.0, 0.0];
        [$f0, $f1] = $fractions;
        $paints = $three ? 3 : 2;
        $found = [];
        $limit = INF;
        $effort = MixScore::effort($paints, $paints);
        for ($n = $paints; $n <= $maxDrops && $effort <= $limit; $n++, $effort += MixScore::PER_DROP) {
            $a0 = (int) ($f0 * $n);
            $b0 = $three ? (int) ($f1 * $n) : 0;
            for ($a = $a0 > 0 ? $a0 : 1; $a <= $a0 + 1; $a++) {
                for ($b = $three && $b0 > 0 ? $b0 : 1; $b <= $b0 + 1; $b++) {
                    $d1 = $three ? $b : $n - $a;
                    $d2 = $n - $a - $d1;
                    if ($d1 < 1 || ($three && $d2 < 1)) {
                        continue;
                    }
                    $va = $a * $t0;
                    $vb = $d1 * $t1;
                    $vc = $d2 * $t2;
                    $v = $va + $vb + $vc;
                    $dx = $va * $x0 + $vb * $x1 + $vc * $x2;
                    $dy = $va * $y0 + $vb * $y1 + $vc * $y2;
                    $dz = $va * $z0 + $vb * $z1 + $vc * $z2;
                    $score = \sqrt($dx * $dx + $dy * $dy + $dz * $dz) / $v + $effort;
                    // A multiple of a smaller ratio is the same mix at more effort; the smaller is around as well.
                    if ($score >= $limit || DropRatios::gcd($a, DropRatios::gcd($d1, $d2)) > 1) {
                        continue;
                    }
                    $found[] = [$score, $three ? [$a, $d1, $d2] : [$a, $d1]];
                    for ($at = \count($found) - 1; $at > 0 && $score < $found[$at - 1][0]; $at--) {
                        [$found[$at - 1], $found[$at]] = [$found[$at], $found[$at - 1]];
                    }
                    $found = \array_slice($found, 0, $most);
                    $limit = $found[$most - 1][0] ?? INF;
                }
            }
        }

        return $found;
    }

    /** @return float weight of the second end in the point of the segment nearest to the origin */
    private static function onSegment(float $x0, float $y0, float $z0, float $x1, float $y1, float $z1): float
    {
        $ex = $x1 - $x0;
        $ey = $y1 - $y0;
        $ez = $z1 - $z0;
        $length = $ex * $ex + $ey * $ey + $ez * $ez;
        $w = $length > 1e-12 ? -($x0 * $ex + $y0 * $ey + $z0 * $ez) / $length : 0.5;

        return $w < 0.0 ? 0.0 : ($w > 1.0 ? 1.0 : $w);
    }

    /** @return array{float, float, float} weights of the point of the triangle nearest to the origin */
    private static function onTriangle(
        float $x0, float $y0, float $z0, float $x1, float $y1, float $z1, float $x2, float $y2, float $z2,
    ): array {
        $ex = $x1 - $x0;
        $ey = $y1 - $y0;
        $ez = $z1 - $z0;
        $fx = $x2 - $x0;
        $fy = $y2 - $y0;
        $fz = $z2 - $z0;
        $ee = $ex * $ex + $ey * $ey + $ez * $ez;
        $ef = $ex * $fx + $ey * $fy + $ez * $fz;
        $ff = $fx * $fx + $fy * $fy + $fz * $fz;
        $pe = $x0 * $ex + $y0 * $ey + $z0 * $ez;
        $pf = $x0 * $fx + $y0 * $fy + $z0 * $fz;
        $determinant = $ee * $ff - $ef * $ef;
        if ($determinant > 1e-12 * $ee * $ff) {
            $w1 = ($ef * $pf - $ff * $pe) / $determinant;
            $w2 = ($ef * $pe - $ee * $pf) / $determinant;
            if ($w1 >= 0.0 && $w2 >= 0.0 && $w1 + $w2 <= 1.0) {
                return [1.0 - $w1 - $w2, $w1, $w2];
            }
        }
        // The projection is outside: the nearest point is on one of the sides.
        $a = self::onSegment($x0, $y0, $z0, $x1, $y1, $z1);
        $b = self::onSegment($x0, $y0, $z0, $x2, $y2, $z2);
        $c = self::onSegment($x1, $y1, $z1, $x2, $y2, $z2);
        $da = self::squared($x0 + $a * $ex, $y0 + $a * $ey, $z0 + $a * $ez);
        $db = self::squared($x0 + $b * $fx, $y0 + $b * $fy, $z0 + $b * $fz);
        $dc = self::squared($x1 + $c * ($x2 - $x1), $y1 + $c * ($y2 - $y1), $z1 + $c * ($z2 - $z1));
        if ($da <= $db && $da <= $dc) {
            return [1.0 - $a, $a, 0.0];
        }

        return $db <= $dc ? [1.0 - $b, 0.0, $b] : [0.0, 1.0 - $c, $c];
    }

    private static function squared(float $x, float $y, float $z): float
    {
        return $x * $x + $y * $y + $z * $z;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

use Hyalin\Mixing\Found\MixScore;

/**
 * Ratios of two or three paints in the linear model, in whole drops.
 */
final readonly class WholeDrops
{
    /** 1.5 x 2^52: added to a double and taken away again, it leaves the nearest whole number, without a call. */
    private const ROUNDS = 6755399441055744.0;

    public function __construct(private PaintPoints $points, private int $maxDrops)
    {
    }

    /**
     * The mix of the first two or three points nearest to the target when drops could be divided, each share at least one in
     * the greatest number of drops.
     *
     * @return array{list<float>, float, float, float} volume fractions adding up to 1, and the linear point there
     */
    public function foot(): array
    {
        $least = 1 / $this->maxDrops;
        if ($this->points->count() === 2) {
            return $this->footOfPair($least);
        }
        [$x0, $x1, $x2] = $this->points->x;
        [$y0, $y1, $y2] = $this->points->y;
        [$z0, $z1, $z2] = $this->points->z;
        [$t0, $t1, $t2] = $this->points->t;
        [$w0, $w1, $w2] = $this->onTriangle();
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
            [$c0 / $sum, $c1 / $sum, $c2 / $sum],
            ($v0 * $x0 + $v1 * $x1 + $v2 * $x2) / $v,
            ($v0 * $y0 + $v1 * $y1 + $v2 * $y2) / $v,
            ($v0 * $z0 + $v1 * $z1 + $v2 * $z2) / $v,
        ];
    }

    /** @return float how far the plane of the first three points passes from the target; 0 if they lie on a line */
    public function planeDistance(): float
    {
        [$x0, $x1, $x2] = $this->points->x;
        [$y0, $y1, $y2] = $this->points->y;
        [$z0, $z1, $z2] = $this->points->z;
        $nx = ($y1 - $y0) * ($z2 - $z0) - ($z1 - $z0) * ($y2 - $y0);
        $ny = ($z1 - $z0) * ($x2 - $x0) - ($x1 - $x0) * ($z2 - $z0);
        $nz = ($x1 - $x0) * ($y2 - $y0) - ($y1 - $y0) * ($x2 - $x0);
        $nn = $nx * $nx + $ny * $ny + $nz * $nz;

        return $nn > 1e-18 ? \abs($nx * $x0 + $ny * $y0 + $nz * $z0) / \sqrt($nn) : 0.0;
    }

    /**
     * The best linear score of a mix of three paints near the given shares: for each total the drops are rounded.
     *
     * @param  int  $i  place of a paint among the points, as $j and $m
     * @param  float  $c1  share of the paint at $i, >= 0; the three need not add up to 1
     * @return float INF when none is within $limit
     */
    public function score(int $i, int $j, int $m, float $c1, float $c2, float $c3, float $limit): float
    {
        $x = $this->points->x;
        $x1 = $x[$i];
        $x2 = $x[$j];
        $x3 = $x[$m];
        $y = $this->points->y;
        $y1 = $y[$i];
        $y2 = $y[$j];
        $y3 = $y[$m];
        $z = $this->points->z;
        $z1 = $z[$i];
        $z2 = $z[$j];
        $z3 = $z[$m];
        $t = $this->points->t;
        $t1 = $t[$i];
        $t2 = $t[$j];
        $t3 = $t[$m];
        $sum = $c1 + $c2 + $c3;
        $c1 /= $sum;
        $c2 /= $sum;
        $best = $limit;
        $found = INF;
        $effort = 2 * MixScore::PER_PAINT + MixScore::PER_DROP;
        $most = (float) $this->maxDrops;
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
     * The best whole-drop ratios of the first two or three points around the given shares.
     *
     * @param  list<float>  $fractions  adding up to 1
     * @param  int  $most  no more than so many
     * @return list<array{float, list<int>}> linear score and drops, best first; the ratios are in lowest terms and differ
     */
    public function around(array $fractions, int $most): array
    {
        [$x, $y, $z, $t] = [$this->points->x, $this->points->y, $this->points->z, $this->points->t];
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
        for ($n = $paints; $n <= $this->maxDrops && $effort <= $limit; $n++, $effort += MixScore::PER_DROP) {
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

    /** @return array{list<float>, float, float, float} as foot() */
    private function footOfPair(float $least): array
    {
        [$x0, $x1] = $this->points->x;
        [$y0, $y1] = $this->points->y;
        [$z0, $z1] = $this->points->z;
        [$t0, $t1] = $this->points->t;
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
            [$c0 / $sum, $c1 / $sum],
            ($v0 * $x0 + $v1 * $x1) / $v,
            ($v0 * $y0 + $v1 * $y1) / $v,
            ($v0 * $z0 + $v1 * $z1) / $v,
        ];
    }

    /** @return float weight of the second end in the point of the segment nearest to the target */
    private static function onSegment(float $x0, float $y0, float $z0, float $x1, float $y1, float $z1): float
    {
        $ex = $x1 - $x0;
        $ey = $y1 - $y0;
        $ez = $z1 - $z0;
        $length = $ex * $ex + $ey * $ey + $ez * $ez;
        $w = $length > 1e-12 ? -($x0 * $ex + $y0 * $ey + $z0 * $ez) / $length : 0.5;

        return $w < 0.0 ? 0.0 : ($w > 1.0 ? 1.0 : $w);
    }

    /** @return array{float, float, float} weights of the point of the first three's triangle nearest to the target */
    private function onTriangle(): array
    {
        [$x0, $x1, $x2] = $this->points->x;
        [$y0, $y1, $y2] = $this->points->y;
        [$z0, $z1, $z2] = $this->points->z;
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

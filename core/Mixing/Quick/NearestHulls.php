<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

use Hyalin\Mixing\Found\MixScore;

/**
 * Paints as points around the target: the pairs whose segment and the triples whose triangle pass near the origin,
 * with the score the linear model gives them at whole drops. Flat lists; this runs over every pair of the shelf.
 */
final readonly class NearestHulls
{
    private const BINS = 72;

    private const HALF = 36;

    private const PER_UNIT = 18.0;

    /** Bins to either side of exactly opposite that are looked at besides what the reach itself asks for. */
    private const SLACK = 2;

    public function __construct(private PaintPoints $points, private int $maxDrops)
    {
    }

    /**
     * @param  float  $limit  linear scores above this are left out
     * @return array<int, float> linear score by $i * 65536 + $j, $i < $j
     */
    public function pairs(float $limit): array
    {
        $found = [];
        for ($i = 0; $i < $this->points->count() - 1; $i++) {
            $found += $this->pairsWith($i, $i + 1, $limit);
        }

        return $found;
    }

    /**
     * The pairs of one paint with another at or after $first.
     *
     * @return array<int, float> as pairs()
     */
    public function pairsWith(int $i, int $first, float $limit): array
    {
        $found = [];
        $x = $this->points->x;
        $y = $this->points->y;
        $z = $this->points->z;
        $t = $this->points->t;
        $n = \count($x);
        $least = MixScore::effort(2, 2);
        $most = $this->maxDrops - 1.0;
        $xi = $x[$i];
        $yi = $y[$i];
        $zi = $z[$i];
        $ti = $t[$i];
        for ($j = $first; $j < $n; $j++) {
            $ex = $x[$j] - $xi;
            $ey = $y[$j] - $yi;
            $ez = $z[$j] - $zi;
            $length = $ex * $ex + $ey * $ey + $ez * $ez;
            if ($length < 1e-12) {
                continue;
            }
            $w = -($xi * $ex + $yi * $ey + $zi * $ez) / $length;
            $tj = $t[$j];
            // No share can be smaller than one drop in $maxDrops.
            $smallest = $tj / ($tj + $most * $ti);
            $largest = $most * $tj / ($most * $tj + $ti);
            $w = $w < $smallest ? $smallest : ($w > $largest ? $largest : $w);
            $dx = $xi + $w * $ex;
            $dy = $yi + $w * $ey;
            $dz = $zi + $w * $ez;
            $score = \sqrt($dx * $dx + $dy * $dy + $dz * $dz) + $least;
            if ($score <= $limit) {
                $found[$i < $j ? $i * 65536 + $j : $j * 65536 + $i] = $score;
            }
        }

        return $found;
    }

    /**
     * @param  float  $reach  the plane of the triangle passes the origin no farther than this
     * @param  float  $limit  linear scores above this are left out
     * @param  int  $cap  no more than about this many
     * @return array<int, float> linear score by ($i * 65536 + $j) * 65536 + $k, $i < $j < $k
     */
    public function triples(float $reach, float $limit, int $cap): array
    {
        $found = [];
        for ($i = 0; $i < $this->points->count() - 2; $i++) {
            $found += $this->triplesWith($i, $i + 1, $reach, $limit);
            if (\count($found) > 2 * $cap) {
                \asort($found);
                $found = \array_slice($found, 0, $cap, true);
                $limit = (float) \end($found);
            }
        }

        return $found;
    }

    /**
     * The triples of one paint with two others, both at or after $first and neither of them $i.
     *
     * @return array<int, float> as triples()
     */
    public function triplesWith(int $i, int $first, float $reach, float $limit): array
    {
        $found = [];
        $drops = new WholeDrops($this->points, $this->maxDrops);
        $reachSquared = $reach * $reach;
        $x = $this->points->x;
        $y = $this->points->y;
        $z = $this->points->z;
        $t = $this->points->t;
        $n = \count($x);
        $xi = $x[$i];
        $yi = $y[$i];
        $zi = $z[$i];
        $ti = $t[$i];
        $r = \sqrt($xi * $xi + $yi * $yi + $zi * $zi);
        if ($r < 1e-9) {
            return [];
        }
        // Seen along p_i, the other two of a triangle that holds the origin lie on opposite sides of it.
        [$bins, $widths] = $this->byTurn($i, $first, self::across($xi / $r, $yi / $r, $zi / $r), $reach);
        // The paints in the order of their bins, twice round, so that every range of bins is one range of places.
        // Filled beforehand: writing to a place is quicker than appending.
        $ks = \array_fill(0, 2 * $n, 0);
        $kx = $ky = $kz = $kt = $cx = $cy = $cz = \array_fill(0, 2 * $n, 0.0);
        $starts = [];
        $at = 0;
        for ($bin = 0; $bin < 2 * self::BINS; $bin++) {
            $starts[] = $at;
            foreach ($bins[$bin % self::BINS] as $k) {
                $xk = $x[$k];
                $yk = $y[$k];
                $zk = $z[$k];
                $ks[$at] = $k;
                $kx[$at] = $xk;
                $ky[$at] = $yk;
                $kz[$at] = $zk;
                $kt[$at] = $t[$k];
                // p_i x p_k: the normal of a triangle is the sum of three of these.
                $cx[$at] = $yi * $zk - $zi * $yk;
                $cy[$at] = $zi * $xk - $xi * $zk;
                $cz[$at] = $xi * $yk - $yi * $xk;
                $at++;
            }
        }
        $starts[] = $at;
        for ($own = 0; $own < self::BINS; $own++) {
            for ($at = $starts[$own]; $at < $starts[$own + 1]; $at++) {
                $j = $ks[$at];
                $xj = $kx[$at];
                $yj = $ky[$at];
                $zj = $kz[$at];
                $tj = $kt[$at];
                $cxj = $cx[$at];
                $cyj = $cy[$at];
                $czj = $cz[$at];
                $from = ($own + self::HALF - $widths[$j]) % self::BINS;
                $end = $starts[$from + 2 * $widths[$j] + 1];
                for ($m = $starts[$from]; $m < $end; $m++) {
                    if ($ks[$m] <= $j) {
                        continue;
                    }
                    $xk = $kx[$m];
                    $yk = $ky[$m];
                    $zk = $kz[$m];
                    $cxk = $cx[$m];
                    $cyk = $cy[$m];
                    $czk = $cz[$m];
                    $nx = $cxj + $yj * $zk - $zj * $yk - $cxk;
                    $ny = $cyj + $zj * $xk - $xj * $zk - $cyk;
                    $nz = $czj + $xj * $yk - $yj * $xk - $czk;
                    $nn = $nx * $nx + $ny * $ny + $nz * $nz;
                    $height = $cxj * $xk + $cyj * $yk + $czj * $zk;
                    if ($height * $height > $reachSquared * $nn || $nn < 1e-18) {
                        continue;
                    }
                    // Barycentric weights of the projection. One a little outside is drawn to the border: the smallest share
                    // is a drop, not nothing.
                    $wk = ($cxj * $nx + $cyj * $ny + $czj * $nz) / $nn;
                    $wj = -($cxk * $nx + $cyk * $ny + $czk * $nz) / $nn;
                    $wi = 1.0 - $wj - $wk;
                    if ($wi < -0.1 || $wj < -0.1 || $wk < -0.1) {
                        continue;
                    }
                    if ($wi < 0.0) {
                        $wi = 0.0;
                    }
                    if ($wj < 0.0) {
                        $wj = 0.0;
                    }
                    if ($wk < 0.0) {
                        $wk = 0.0;
                    }
                    $k = $ks[$m];
                    $score = $drops->score($i, $j, $k, $wi / $ti, $wj / $tj, $wk / $kt[$m], $limit);
                    if ($score <= $limit) {
                        $found[self::key($i, $j, $k)] = $score;
                    }
                }
            }
        }

        return $found;
    }

    /**
     * The paints by the direction that they lie in around p_i.
     *
     * @param  array{float, float, float, float, float, float}  $across  two directions across p_i
     * @return array{array<int, list<int>>, array<int, int>} places of the paints by bin of direction; by place how many bins to either
     *                                           side of opposite a partner may lie
     */
    private function byTurn(int $i, int $first, array $across, float $reach): array
    {
        $x = $this->points->x;
        $y = $this->points->y;
        $z = $this->points->z;
        [$ax, $ay, $az, $bx, $by, $bz] = $across;
        $n = \count($x);
        $bins = \array_fill(0, self::BINS, []);
        $widths = \array_fill(0, $n, 0);
        for ($j = $first; $j < $n; $j++) {
            $xj = $x[$j];
            $yj = $y[$j];
            $zj = $z[$j];
            $u = $ax * $xj + $ay * $yj + $az * $zj;
            $v = $bx * $xj + $by * $yj + $bz * $zj;
            $sum = \abs($u) + \abs($v);
            // A stand-in for the angle without trigonometry: 0 to 4 once round, opposite directions 2 apart.
            $turn = $sum > 0.0 ? $v / $sum : 0.0;
            if ($u < 0.0) {
                $turn = 2.0 - $turn;
            } elseif ($v < 0.0) {
                $turn = 4.0 + $turn;
            }
            if ($j !== $i) {
                $bins[(int) ($turn * self::PER_UNIT) % self::BINS][] = $j;
            }
            // A partner may deviate from opposite by the angle that the reach subtends, and some more.
            $widths[$j] = $sum > $reach ? self::SLACK + (int) ($reach / $sum * self::PER_UNIT) : self::HALF - 1;
        }

        return [$bins, $widths];
    }

    /** @return int one number for three places, $j < $k; $i may be anywhere */
    private static function key(int $i, int $j, int $k): int
    {
        if ($i < $j) {
            return ($i * 65536 + $j) * 65536 + $k;
        }

        return $i < $k ? ($j * 65536 + $i) * 65536 + $k : ($j * 65536 + $k) * 65536 + $i;
    }

    /**
     * Two directions across a unit direction.
     *
     * @return array{float, float, float, float, float, float}
     */
    private static function across(float $x, float $y, float $z): array
    {
        if (\abs($x) < 0.9) {
            $l = \sqrt($y * $y + $z * $z);
            $ax = 0.0;
            $ay = $z / $l;
            $az = -$y / $l;
        } else {
            $l = \sqrt($x * $x + $z * $z);
            $ax = $z / $l;
            $ay = 0.0;
            $az = -$x / $l;
        }

        return [$ax, $ay, $az, $y * $az - $z * $ay, $z * $ax - $x * $az, $x * $ay - $y * $ax];
    }
}

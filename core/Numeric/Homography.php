<?php

declare(strict_types=1);

namespace Hyalin\Numeric;

/**
 * The projective map of one plane onto another, x' = (a x + b y + c) / (g x + h y + 1) and likewise y'.
 *
 * Through four pairs of points it is exact, through more it is the one of least squares of the linear equations, with both sides
 * brought to mean 0 and distance sqrt 2 first (R. I. Hartley, In defense of the eight-point algorithm, IEEE Trans. Pattern Anal.
 * Mach. Intell. 19, 580 (1997)).
 */
final readonly class Homography
{
    /** @param  array{float, float, float, float, float, float, float, float, float}  $m  row-major 3 x 3 */
    private function __construct(private array $m)
    {
    }

    /**
     * @param  list<array{float, float}>  $from  at least 4
     * @param  list<array{float, float}>  $to  as many
     *
     * @throws SingularMatrix when three of four are on a line
     */
    public static function through(array $from, array $to): self
    {
        [$p, $s, $u, $v] = self::normalised($from);
        [$q, $t, $w, $z] = self::normalised($to);
        $rows = $sides = [];
        foreach ($p as $i => [$x, $y]) {
            [$x1, $y1] = $q[$i];
            $rows[] = [$x, $y, 1.0, 0.0, 0.0, 0.0, -$x * $x1, -$y * $x1];
            $sides[] = $x1;
            $rows[] = [0.0, 0.0, 0.0, $x, $y, 1.0, -$x * $y1, -$y * $y1];
            $sides[] = $y1;
        }
        $m = [...LeastSquares::solve($rows, $sides), 1.0];
        // Back out of the normalised coordinates: T^-1 M S.
        $m = self::product($m, [$s, 0.0, -$s * $u, 0.0, $s, -$s * $v, 0.0, 0.0, 1.0]);
        $m = self::product([1 / $t, 0.0, $w, 0.0, 1 / $t, $z, 0.0, 0.0, 1.0], $m);

        return new self($m);
    }

    /** @return array{float, float} */
    public function at(float $x, float $y): array
    {
        $m = $this->m;
        $w = $m[6] * $x + $m[7] * $y + $m[8];

        return [($m[0] * $x + $m[1] * $y + $m[2]) / $w, ($m[3] * $x + $m[4] * $y + $m[5]) / $w];
    }

    /**
     * Many points of a row at once, for loops over pixels: no array is made for each.
     *
     * @param  float  $x  of the first; each next is 1 further
     * @param  int  $count  0 or more
     * @return array{list<float>, list<float>} x and y of each
     */
    public function alongRow(float $x, float $y, int $count): array
    {
        [$a, $b, $c, $d, $e, $f, $g, $h, $i] = $this->m;
        $us = $vs = [];
        for ($n = 0; $n < $count; $n++, $x += 1.0) {
            $w = $g * $x + $h * $y + $i;
            $us[] = ($a * $x + $b * $y + $c) / $w;
            $vs[] = ($d * $x + $e * $y + $f) / $w;
        }

        return [$us, $vs];
    }

    /** The way back. A constant factor does not matter, so that the adjugate will do. */
    public function inverse(): self
    {
        [$a, $b, $c, $d, $e, $f, $g, $h, $i] = $this->m;

        return new self([
            $e * $i - $f * $h, $c * $h - $b * $i, $b * $f - $c * $e,
            $f * $g - $d * $i, $a * $i - $c * $g, $c * $d - $a * $f,
            $d * $h - $e * $g, $b * $g - $a * $h, $a * $e - $b * $d,
        ]);
    }

    /** @return float how many units of the picture one unit is long at a place, the shorter way */
    public function scaleAt(float $x, float $y): float
    {
        [$u, $v] = $this->at($x, $y);
        [$u1, $v1] = $this->at($x + 0.5, $y);
        [$u2, $v2] = $this->at($x, $y + 0.5);

        return 2 * min(hypot($u1 - $u, $v1 - $v), hypot($u2 - $u, $v2 - $v));
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return array{list<array{float, float}>, float, float, float} scaled and shifted, the scale, and the mean
     */
    private static function normalised(array $points): array
    {
        $n = max(1, count($points));
        $u = array_sum(array_column($points, 0)) / $n;
        $v = array_sum(array_column($points, 1)) / $n;
        $distance = array_sum(array_map(static fn (array $p): float => hypot($p[0] - $u, $p[1] - $v), $points)) / $n;
        $scale = $distance > 0 ? M_SQRT2 / $distance : 1.0;

        return [array_map(static fn (array $p): array => [$scale * ($p[0] - $u), $scale * ($p[1] - $v)], $points), $scale, $u, $v];
    }

    /**
     * @param  non-empty-list<float>  $p
     * @param  non-empty-list<float>  $q
     * @return array{float, float, float, float, float, float, float, float, float}
     */
    private static function product(array $p, array $q): array
    {
        $cell = static fn (int $row, int $column): float => $p[3 * $row] * $q[$column] + $p[3 * $row + 1] * $q[3 + $column] + $p[3 * $row + 2] * $q[6 + $column];

        return [$cell(0, 0), $cell(0, 1), $cell(0, 2), $cell(1, 0), $cell(1, 1), $cell(1, 2), $cell(2, 0), $cell(2, 1), $cell(2, 2)];
    }
}

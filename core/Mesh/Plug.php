<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A peg, or the socket that one goes into.
 */
final readonly class Plug
{
    /** A printed socket is wider than its peg by this, mm: common practice is 0.1 to 0.3 all round. */
    private const WIDER_MM = 0.5;

    private const TIGHTER_MM = 0.06;

    /** A socket may be deeper than its peg is long, for glue, and hardly shallower. */
    private const DEEPER_MM = 2.0;

    private const SHALLOWER_MM = 0.4;

    /** By how much the outlines of a pair may differ, of their equal-area circle. */
    private const UNLIKE = 0.08;

    /** A moment of the outline below this is roundness, not a key. */
    private const KEYED = 0.03;

    /**
     * @param  array{float, float, float}  $centre  of the peg's cap, or of the socket's floor, mm
     * @param  array{float, float, float}  $axis  outwards of that face, of length 1
     * @param  float  $radius  mm of a circle as large as its section
     * @param  float  $depth  mm from that face to the shoulder of the peg or the rim of the socket
     * @param  list<array{array{float, float, float}, array{float, float, float}, array{float, float, float}}>  $face  its triangles
     */
    public function __construct(public bool $isSocket, public array $centre, public array $axis, public float $radius, public float $depth, public array $face)
    {
    }

    /** @return float|null how badly this peg sits in a socket, 0 for perfectly; null when it does not go in */
    public function misfit(self $socket): ?float
    {
        $wider = $socket->radius - $this->radius;
        $deeper = $socket->depth - $this->depth;
        if ($this->isSocket || ! $socket->isSocket || $wider < -self::TIGHTER_MM || $wider > max(self::WIDER_MM, 0.12 * $socket->radius) || $deeper < -self::SHALLOWER_MM || $deeper > self::DEEPER_MM) {
            return null;
        }
        $unlike = 0.0;
        $other = $socket->moments();
        foreach ($this->moments() as $m => $moment) {
            $unlike = max($unlike, abs(hypot(...$moment) - hypot(...$other[$m])));
        }

        return $unlike > self::UNLIKE ? null : abs($wider - 0.15) / 0.3 + abs($deeper) / self::DEEPER_MM + $unlike / self::UNLIKE;
    }

    /**
     * How far this peg must turn about the socket's axis until their outlines lie on each other.
     *
     * @return float|null degrees, right-handed about the socket's axis; null when both are round
     */
    public function turnInto(self $socket): ?float
    {
        $own = array_map(static fn (array $m): array => [hypot(...$m), atan2($m[1], $m[0])], $this->moments($socket->axis));
        $other = array_map(static fn (array $m): array => [hypot(...$m), atan2($m[1], $m[0])], $socket->moments());
        $strong = [];
        foreach ($own as $m => [$strength]) {
            if (min($strength, $other[$m][0]) > self::KEYED) {
                $strong[$m] = min($strength, $other[$m][0]);
            }
        }
        if ($strong === []) {
            return null;
        }
        arsort($strong);
        $first = array_key_first($strong);
        $best = null;
        foreach (range(0, $first - 1) as $k) {
            $turn = fmod(($other[$first][1] - $own[$first][1] + 2 * M_PI * $k) / $first + 3 * M_PI, 2 * M_PI) - M_PI;
            $score = 0.0;
            foreach ($strong as $m => $weight) {
                $score += $weight * cos($other[$m][1] - $own[$m][1] - $m * $turn);
            }
            // Where several turns are as good, the least one is.
            $score -= 1e-3 * abs($turn);
            if ($best === null || $score > $best[0]) {
                $best = [$score, $turn];
            }
        }

        return rad2deg($best[1]);
    }

    /**
     * Moments of the outline, normed by its circle: the m-th says how strongly it repeats m times around, and where. They
     * are exact, by triangle (homogeneous polynomials over a simplex: J. B. Lasserre, K. E. Avrachenkov, 2001).
     *
     * @param  array{float, float, float}|null  $about  direction that it is looked at along; null for its own axis
     * @return array<int, array{float, float}> real and imaginary part for two, three and four times around
     */
    public function moments(?array $about = null): array
    {
        $about ??= $this->axis;
        $u = self::across($about);
        $w = self::cross($about, $u);
        $sums = [2 => [0.0, 0.0], 3 => [0.0, 0.0], 4 => [0.0, 0.0]];
        $area = 0.0;
        foreach ($this->face as $corners) {
            $z = [];
            foreach ($corners as $p) {
                $d = [$p[0] - $this->centre[0], $p[1] - $this->centre[1], $p[2] - $this->centre[2]];
                $z[] = [self::dot($d, $u), self::dot($d, $w)];
            }
            $mm2 = abs(($z[1][0] - $z[0][0]) * ($z[2][1] - $z[0][1]) - ($z[1][1] - $z[0][1]) * ($z[2][0] - $z[0][0])) / 2;
            $area += $mm2;
            foreach ($sums as $m => [$re, $im]) {
                [$hr, $hi] = self::homogeneous($z, $m);
                $by = $mm2 * 2 / (($m + 1) * ($m + 2));
                $sums[$m] = [$re + $by * $hr, $im + $by * $hi];
            }
        }
        $circle = sqrt($area / M_PI);
        foreach ($sums as $m => [$re, $im]) {
            $by = $area * $circle ** $m;
            $sums[$m] = $by > 0.0 ? [$re / $by, $im / $by] : [0.0, 0.0];
        }

        return $sums;
    }

    /**
     * @param  array{float, float, float}  $a  of length 1
     * @return array{float, float, float} a direction of length 1 at a right angle to it
     */
    public static function across(array $a): array
    {
        $b = abs($a[0]) < 0.8 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0];
        $c = self::cross($a, $b);
        $length = sqrt(self::dot($c, $c));

        return [$c[0] / $length, $c[1] / $length, $c[2] / $length];
    }

    /**
     * The sum of all products of m of three complex numbers, with repetition.
     *
     * @param  list<array{float, float}>  $z
     * @return array{float, float}
     */
    private static function homogeneous(array $z, int $m): array
    {
        // By one number after the other: h_m(z1..zk) is the sum over j of zk^j h_(m-j)(z1..zk-1).
        $h = [[1.0, 0.0], ...array_fill(0, $m, [0.0, 0.0])];
        foreach ($z as [$re, $im]) {
            for ($j = 1; $j <= $m; $j++) {
                [$pr, $pi] = $h[$j - 1];
                $h[$j] = [$h[$j][0] + $re * $pr - $im * $pi, $h[$j][1] + $re * $pi + $im * $pr];
            }
        }

        return $h[$m];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     */
    private static function dot(array $a, array $b): float
    {
        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    private static function cross(array $a, array $b): array
    {
        return [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * The convex hull of points, by the monotone chain of A. M. Andrew, Inf. Process. Lett. 9, 216 (1979).
 */
final readonly class Hull
{
    /** @param  list<array{float, float}>  $corners  clockwise where y points down */
    private function __construct(public array $corners)
    {
    }

    /** @param  list<array{float, float}>  $points */
    public static function of(array $points): self
    {
        sort($points);

        return new self([...self::chain($points), ...self::chain(array_reverse($points))]);
    }

    /**
     * @param  list<array{float, float}>  $points  in order
     * @return list<array{float, float}> one side of the hull, without its last corner
     */
    private static function chain(array $points): array
    {
        $hull = [];
        $n = 0;
        foreach ($points as $p) {
            while ($n >= 2 && ($hull[$n - 1][0] - $hull[$n - 2][0]) * ($p[1] - $hull[$n - 2][1]) <= ($hull[$n - 1][1] - $hull[$n - 2][1]) * ($p[0] - $hull[$n - 2][0])) {
                array_pop($hull);
                $n--;
            }
            $hull[] = $p;
            $n++;
        }
        array_pop($hull);

        return $hull;
    }

    /** @return float in squares of the units of the points */
    public function area(): float
    {
        $sum = 0.0;
        foreach ($this->corners as $i => [$x, $y]) {
            [$x1, $y1] = $this->corners[($i + 1) % count($this->corners)];
            $sum += $x * $y1 - $x1 * $y;
        }

        return $sum / 2;
    }

    /**
     * The largest quadrangle with corners on the hull: for each diagonal the farthest corners on either side of it.
     *
     * @param  float  $filled  share of the hull that it must fill to be one, 0..1
     * @return array{array{float, float}, array{float, float}, array{float, float}, array{float, float}}|null null when the hull is none
     */
    public function quadrangle(float $filled): ?array
    {
        $n = count($this->corners);
        $best = 0.0;
        $quad = null;
        for ($i = 0; $i < $n - 2; $i++) {
            for ($k = $i + 2; $k < $n; $k++) {
                [$one, $j] = $this->farthest($i, $k, $i + 1, $k - 1);
                [$other, $l] = $this->farthest($k, $i, $k + 1, $n - 1 + $i);
                if ($one > 0 && $other > 0 && $one + $other > $best) {
                    $best = $one + $other;
                    $quad = [$this->corners[$i], $this->corners[$j], $this->corners[$k], $this->corners[$l]];
                }
            }
        }

        return $quad !== null && $best >= 2 * $filled * $this->area() ? $quad : null;
    }

    /** @return array{float, int} twice the area of the triangle over a diagonal, and its corner */
    private function farthest(int $i, int $k, int $from, int $to): array
    {
        $n = count($this->corners);
        [[$x, $y], [$x1, $y1]] = [$this->corners[$i], $this->corners[$k]];
        $best = [0.0, $i];
        for ($m = $from; $m <= $to; $m++) {
            [$px, $py] = $this->corners[$m % $n];
            $area = abs(($x1 - $x) * ($py - $y) - ($y1 - $y) * ($px - $x));
            if ($area > $best[0]) {
                $best = [$area, $m % $n];
            }
        }

        return $best;
    }
}

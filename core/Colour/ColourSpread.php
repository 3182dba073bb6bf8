<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * Where a predicted colour will lie: a normal distribution in CIELAB, as the independent errors that make it up add.
 */
final readonly class ColourSpread
{
    /** Share that one standard deviation holds: what "two out of three times" means here. */
    public const HELD = 0.6827;

    /** The quantile of the normal distribution with HELD below it. */
    private const QUANTILE = 0.4752;

    private const ITERATIONS = 40;

    /**
     * @param  array{float, float, float, float, float, float}  $covariance  LL, La, Lb, aa, ab, bb
     */
    private function __construct(public Lab $centre, private array $covariance)
    {
    }

    /** @param  iterable<array{float, float, float}>  $errors  independent ones, each a standard deviation long, in L*, a*, b* */
    public static function of(Lab $centre, iterable $errors): self
    {
        $ll = $la = $lb = $aa = $ab = $bb = 0.0;
        foreach ($errors as [$l, $a, $b]) {
            $ll += $l * $l;
            $la += $l * $a;
            $lb += $l * $b;
            $aa += $a * $a;
            $ab += $a * $b;
            $bb += $b * $b;
        }

        return new self($centre, [$ll, $la, $lb, $aa, $ab, $bb]);
    }

    /**
     * CIEDE2000 within which it lies two out of three times. To first order a sum of three squares of normal errors, as a gamma
     * distribution of its mean and variance, by the cube root of E. B. Wilson, M. M. Hilferty, PNAS 17, 684 (1931).
     *
     * @return float >= 0
     */
    public function radius(): float
    {
        $metric = ColourMetric::at(...$this->centre->toArray());
        [$ll, $la, $lb, $aa, $ab, $bb] = $this->covariance;
        // M C M', row by row.
        $columns = array_map($metric->of(...), [[$ll, $la, $lb], [$la, $aa, $ab], [$lb, $ab, $bb]]);
        $turned = [];
        for ($i = 0; $i < 3; $i++) {
            $turned[] = $metric->of([$columns[0][$i], $columns[1][$i], $columns[2][$i]]);
        }
        $mean = $turned[0][0] + $turned[1][1] + $turned[2][2];
        if ($mean <= 0.0) {
            return 0.0;
        }
        $squares = 0.0;
        foreach ($turned as $row) {
            foreach ($row as $v) {
                $squares += $v * $v;
            }
        }
        $shape = $mean * $mean / (2 * $squares);

        return sqrt($mean * max(0.0, 1 - 1 / (9 * $shape) + self::QUANTILE / (3 * sqrt($shape))) ** 3);
    }

    /**
     * The two colours between which it lies two out of three times, along the direction in which it is least sure; the darker one
     * first.
     *
     * @return array{Lab, Lab}
     */
    public function ends(): array
    {
        [$ll, $la, $lb, $aa, $ab, $bb] = $this->covariance;
        $rows = [[$ll, $la, $lb], [$la, $aa, $ab], [$lb, $ab, $bb]];
        $direction = [1.0, 0.7, 0.4];
        $variance = 0.0;
        for ($step = 0; $step < self::ITERATIONS; $step++) {
            $next = array_map(static fn (array $row): float => $row[0] * $direction[0] + $row[1] * $direction[1] + $row[2] * $direction[2], $rows);
            $variance = sqrt($next[0] ** 2 + $next[1] ** 2 + $next[2] ** 2);
            if ($variance <= 0.0) {
                return [$this->centre, $this->centre];
            }
            $direction = array_map(static fn (float $v): float => $v / $variance, $next);
        }
        $reach = sqrt($variance) * ($direction[0] < 0 ? -1 : 1);
        $end = fn (float $way): Lab => Lab::of(
            max(0.0, min(100.0, $this->centre->lightness + $way * $reach * $direction[0])),
            $this->centre->a + $way * $reach * $direction[1],
            $this->centre->b + $way * $reach * $direction[2],
            $this->centre->white,
        );

        return [$end(-1), $end(1)];
    }
}

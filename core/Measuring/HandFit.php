<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\Optics\KubelkaMunk;

/**
 * How a painter really puts a technique on: the coverage and the film thickness that explain test chips best.
 *
 * Least squares over all bands of all chips by Gauss and Newton with halved steps (damped as in J. E. Dennis, R. B.
 * Schnabel, Numerical Methods for Unconstrained Optimization, 1983). The uncertainty is the usual one of linear
 * least squares at the solution: residual variance times the inverse of J'J; it is an estimate of scatter, and says
 * nothing of errors that all chips share.
 */
final readonly class HandFit
{
    private const LEAST_COVERAGE = 0.01;

    private const THINNEST = 0.02;

    private const THICKEST = 8.0;

    /**
     * @param  float  $coverage  area one coat covers, 0..1
     * @param  float  $thickness  reference coats where it covers
     * @param  float  $residual  root mean square of reflectance left unexplained
     */
    private function __construct(
        public float $coverage,
        public float $coverageDeviation,
        public float $thickness,
        public float $thicknessDeviation,
        public float $residual,
    ) {
    }

    /**
     * @param  list<Chip>  $chips  at least one
     * @param  bool  $covers  the technique is one that covers everything: only the thickness is fitted
     *
     * @throws InvalidReadings without chips, or when they tell nothing (the paint is opaque, the card its own colour)
     */
    public static function of(array $chips, bool $covers, float $coverage = 0.5, float $thickness = 1.0): self
    {
        if ($chips === []) {
            throw InvalidReadings::noChips();
        }
        $free = $covers ? [1] : [0, 1];
        $at = [$covers ? 1.0 : $coverage, $thickness];
        $errors = self::errors($chips, $at);
        $sum = self::squares($errors);
        for ($step = 0; $step < 60; $step++) {
            $normal = self::normal($chips, $at, $errors, $free);
            $move = self::solved($normal[0], $normal[1]);
            if ($move === null) {
                throw InvalidReadings::chipsTellNothing();
            }
            $share = 1.0;
            do {
                $next = $at;
                foreach ($free as $n => $parameter) {
                    $next[$parameter] = self::bounded($parameter, $at[$parameter] - $share * $move[$n]);
                }
                $nextErrors = self::errors($chips, $next);
                $nextSum = self::squares($nextErrors);
                $share /= 2;
            } while ($nextSum > $sum && $share > 1e-6);
            if ($nextSum > $sum - 1e-16) {
                break;
            }
            [$at, $errors, $sum] = [$next, $nextErrors, $nextSum];
        }
        $variance = $sum / max(1, count($errors) - count($free));
        $inverse = self::inverseDiagonal(self::normal($chips, $at, $errors, $free)[0]) ?? throw InvalidReadings::chipsTellNothing();
        $deviation = array_map(static fn (float $v): float => sqrt($v * $variance), $inverse);

        return new self(
            $at[0],
            $covers ? 0.0 : $deviation[0],
            $at[1],
            $covers ? $deviation[0] : ($deviation[1] ?? 0.0),
            sqrt($sum / count($errors)),
        );
    }

    /** @return float reflectance of one band after the coats of a chip */
    private static function predicted(Chip $chip, int $band, float $coverage, float $thickness): float
    {
        $r = $chip->card->values[$band];
        for ($coat = 0; $coat < $chip->coats; $coat++) {
            $r = $coverage * KubelkaMunk::film($chip->mix->k[$band], $chip->mix->s[$band], $thickness, $r) + (1 - $coverage) * $r;
        }

        return $r;
    }

    /**
     * @param  list<Chip>  $chips
     * @param  array{float, float}  $at
     * @return non-empty-list<float>
     */
    private static function errors(array $chips, array $at): array
    {
        $errors = [];
        foreach ($chips as $chip) {
            for ($band = 0; $band < Bands::COUNT; $band++) {
                $errors[] = self::predicted($chip, $band, $at[0], $at[1]) - $chip->read->values[$band];
            }
        }

        return $errors ?: [0.0];
    }

    /**
     * @param  list<Chip>  $chips
     * @param  array{float, float}  $at
     * @param  list<float>  $errors
     * @param  non-empty-list<int>  $free
     * @return array{list<list<float>>, list<float>} J'J and J'e
     */
    private static function normal(array $chips, array $at, array $errors, array $free): array
    {
        $slopes = [];
        foreach ($free as $parameter) {
            $h = 1e-5;
            $above = self::errors($chips, self::moved($at, $parameter, $h));
            $below = self::errors($chips, self::moved($at, $parameter, -$h));
            $slopes[] = array_map(static fn (float $p, float $q): float => ($p - $q) / (2 * $h), $above, $below);
        }
        $matrix = $right = [];
        foreach ($slopes as $one) {
            $matrix[] = array_map(static fn (array $other): float => self::dot($one, $other), $slopes);
            $right[] = self::dot($one, $errors);
        }

        return [$matrix, $right];
    }

    /**
     * @param  list<list<float>>  $m  1 x 1 or 2 x 2
     * @param  list<float>  $b
     * @return list<float>|null
     */
    private static function solved(array $m, array $b): ?array
    {
        if (count($m) === 1) {
            return $m[0][0] > 1e-12 ? [$b[0] / $m[0][0]] : null;
        }
        $determinant = $m[0][0] * $m[1][1] - $m[0][1] * $m[1][0];
        if ($determinant <= 1e-10 * $m[0][0] * $m[1][1] || $m[0][0] <= 1e-12) {
            return null;
        }

        return [
            ($m[1][1] * $b[0] - $m[0][1] * $b[1]) / $determinant,
            ($m[0][0] * $b[1] - $m[1][0] * $b[0]) / $determinant,
        ];
    }

    /**
     * @param  list<list<float>>  $m
     * @return non-empty-list<float>|null
     */
    private static function inverseDiagonal(array $m): ?array
    {
        if (count($m) === 1) {
            return $m[0][0] > 1e-12 ? [1 / $m[0][0]] : null;
        }
        $determinant = $m[0][0] * $m[1][1] - $m[0][1] * $m[1][0];

        return $determinant > 1e-10 * $m[0][0] * $m[1][1] ? [$m[1][1] / $determinant, $m[0][0] / $determinant] : null;
    }

    /**
     * @param  array<int, float>  $p
     * @param  array<int, float>  $q
     */
    private static function dot(array $p, array $q): float
    {
        $sum = 0.0;
        foreach ($p as $i => $v) {
            $sum += $v * $q[$i];
        }

        return $sum;
    }

    /** @param  list<float>  $errors */
    private static function squares(array $errors): float
    {
        return self::dot($errors, $errors);
    }

    /**
     * @param  array{float, float}  $at
     * @return array{float, float}
     */
    private static function moved(array $at, int $parameter, float $by): array
    {
        return $parameter === 0 ? [$at[0] + $by, $at[1]] : [$at[0], $at[1] + $by];
    }

    private static function bounded(int $parameter, float $value): float
    {
        return $parameter === 0
            ? max(self::LEAST_COVERAGE, min(1.0, $value))
            : max(self::THINNEST, min(self::THICKEST, $value));
    }
}

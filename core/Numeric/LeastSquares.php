<?php

declare(strict_types=1);

namespace Hyalin\Numeric;

/**
 * The x that makes the sum of squares of A x - b least, by Householder reflections, which keep what the normal
 * equations lose (G. H. Golub, Numerical methods for solving linear least squares problems, Numer. Math. 7, 1965).
 */
final class LeastSquares
{
    /** A column that the others explain to this share of its length counts as one too many. */
    private const LEAST_PIVOT = 1e-12;

    /**
     * @param  list<list<float>>  $a  m rows of n, m >= n >= 1
     * @param  list<float>  $b  m
     * @return list<float> n
     *
     * @throws SingularMatrix when the columns are not independent, or there are fewer rows than columns
     */
    public static function solve(array $a, array $b): array
    {
        $m = count($a);
        $n = count($a[0] ?? []);
        if ($n === 0 || $m < $n) {
            throw SingularMatrix::ofOrder($n);
        }
        $diagonal = [];
        for ($j = 0; $j < $n; $j++) {
            $length = $whole = 0.0;
            for ($i = 0; $i < $m; $i++) {
                $whole += $a[$i][$j] ** 2;
                $length += $i >= $j ? $a[$i][$j] ** 2 : 0.0;
            }
            if ($length <= self::LEAST_PIVOT * $whole || $length === 0.0) {
                throw SingularMatrix::ofOrder($n);
            }
            // The reflection that turns column j, from row j down, into a multiple of the first unit vector.
            $pivot = $a[$j][$j] > 0 ? -sqrt($length) : sqrt($length);
            $a[$j][$j] -= $pivot;
            $norm = -$pivot * $a[$j][$j];
            for ($c = $j + 1; $c < $n; $c++) {
                $dot = 0.0;
                for ($i = $j; $i < $m; $i++) {
                    $dot += $a[$i][$j] * $a[$i][$c];
                }
                for ($i = $j; $i < $m; $i++) {
                    $a[$i][$c] -= $dot / $norm * $a[$i][$j];
                }
            }
            $dot = 0.0;
            for ($i = $j; $i < $m; $i++) {
                $dot += $a[$i][$j] * $b[$i];
            }
            for ($i = $j; $i < $m; $i++) {
                $b[$i] -= $dot / $norm * $a[$i][$j];
            }
            $diagonal[] = $pivot;
        }

        return self::backSubstituted($a, $b, $diagonal);
    }

    /**
     * @param  array<int, array<int, float>>  $a  upper triangle beside its diagonal
     * @param  array<int, float>  $b
     * @param  list<float>  $diagonal
     * @return list<float>
     */
    private static function backSubstituted(array $a, array $b, array $diagonal): array
    {
        $n = count($diagonal);
        $x = array_fill(0, $n, 0.0);
        for ($j = $n - 1; $j >= 0; $j--) {
            $rest = $b[$j];
            for ($c = $j + 1; $c < $n; $c++) {
                $rest -= $a[$j][$c] * $x[$c];
            }
            $x[$j] = $rest / $diagonal[$j];
        }

        return array_values($x);
    }
}

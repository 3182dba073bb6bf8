<?php

declare(strict_types=1);

namespace Hyalin\Numeric;

/**
 * A symmetric positive definite matrix as L L' (A.-L. Cholesky, 1910; published by E. Benoit, Bulletin geodesique 2, 1924).
 *
 * Flat arrays, row-major: it is the inner loop of a fit.
 */
final readonly class Cholesky
{
    /** @param  array<int, float>  $lower  n x n, what is above the diagonal is not read */
    private function __construct(private array $lower, private int $n)
    {
    }

    /**
     * @param  array<int, float>  $matrix  n x n; only its lower triangle is read
     *
     * @throws SingularMatrix when it is not positive definite
     */
    public static function of(array $matrix, int $n): self
    {
        for ($j = 0; $j < $n; $j++) {
            $row = $j * $n;
            $pivot = $matrix[$row + $j];
            for ($k = 0; $k < $j; $k++) {
                $pivot -= $matrix[$row + $k] * $matrix[$row + $k];
            }
            if (! ($pivot > 0.0)) {
                throw SingularMatrix::ofOrder($n);
            }
            $pivot = sqrt($pivot);
            $matrix[$row + $j] = $pivot;
            for ($i = $j + 1; $i < $n; $i++) {
                $other = $i * $n;
                $sum = $matrix[$other + $j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $matrix[$other + $k] * $matrix[$row + $k];
                }
                $matrix[$other + $j] = $sum / $pivot;
            }
        }

        return new self($matrix, $n);
    }

    /**
     * @param  array<int, float>  $b  n
     * @return array<int, float> the x of A x = b
     */
    public function solve(array $b): array
    {
        return $this->backward($this->forward($b));
    }

    /** @return float ln of the determinant */
    public function logDeterminant(): float
    {
        $sum = 0.0;
        for ($i = 0; $i < $this->n; $i++) {
            $sum += 2 * log($this->lower[$i * $this->n + $i]);
        }

        return $sum;
    }

    /** @return array<int, float> A^-1, n x n, row-major */
    public function inverse(): array
    {
        $inverse = [];
        for ($column = 0; $column < $this->n; $column++) {
            $unit = array_fill(0, $this->n, 0.0);
            $unit[$column] = 1.0;
            // Symmetric: its columns are its rows.
            array_push($inverse, ...$this->solve($unit));
        }

        return $inverse;
    }

    /**
     * @param  array<int, float>  $b
     * @return array<int, float> the y of L y = b
     */
    private function forward(array $b): array
    {
        for ($i = 0; $i < $this->n; $i++) {
            $row = $i * $this->n;
            $sum = $b[$i];
            for ($k = 0; $k < $i; $k++) {
                $sum -= $this->lower[$row + $k] * $b[$k];
            }
            $b[$i] = $sum / $this->lower[$row + $i];
        }

        return $b;
    }

    /**
     * @param  array<int, float>  $y
     * @return array<int, float> the x of L' x = y
     */
    private function backward(array $y): array
    {
        for ($i = $this->n - 1; $i >= 0; $i--) {
            $sum = $y[$i];
            for ($k = $i + 1; $k < $this->n; $k++) {
                $sum -= $this->lower[$k * $this->n + $i] * $y[$k];
            }
            $y[$i] = $sum / $this->lower[$i * $this->n + $i];
        }

        return $y;
    }
}

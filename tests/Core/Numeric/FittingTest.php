<?php

declare(strict_types=1);

namespace Tests\Core\Numeric;

use Hyalin\Numeric\Cholesky;
use Hyalin\Numeric\LevenbergMarquardt;
use Hyalin\Numeric\SingularMatrix;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class FittingTest extends TestCase
{
    /** The inverse of Hilbert's matrix of order 4 is one of whole numbers (M.-D. Choi, American Math. Monthly 90, 301 (1983)). */
    public function test_the_inverse_of_hilberts_matrix_is_the_published_one(): void
    {
        $hilbert = [];
        for ($i = 1; $i <= 4; $i++) {
            for ($j = 1; $j <= 4; $j++) {
                $hilbert[] = 1 / ($i + $j - 1);
            }
        }
        $inverse = [16, -120, 240, -140, -120, 1200, -2700, 1680, 240, -2700, 6480, -4200, -140, 1680, -4200, 2800];
        $factor = Cholesky::of($hilbert, 4);
        self::assertEqualsWithDelta($inverse, $factor->inverse(), 1e-7);
        // Its determinant is 1 / 6 048 000.
        self::assertEqualsWithDelta(-log(6_048_000), $factor->logDeterminant(), 1e-9);
        self::assertEqualsWithDelta([-4.0, 60.0, -180.0, 140.0], $factor->solve([1.0, 1.0, 1.0, 1.0]), 1e-8);
    }

    public function test_what_is_solved_gives_back_its_right_side_and_what_is_not_definite_is_refused(): void
    {
        $random = new Randomizer(new Mt19937(12));
        foreach ([1, 3, 12] as $n) {
            $root = array_map(static fn (): float => $random->getInt(-100, 100) / 100, range(1, $n * $n));
            $matrix = [];
            for ($i = 0; $i < $n; $i++) {
                for ($j = 0; $j < $n; $j++) {
                    $matrix[] = array_sum(array_map(static fn (int $k): float => $root[$i * $n + $k] * $root[$j * $n + $k], range(0, $n - 1))) + ($i === $j ? 0.1 : 0.0);
                }
            }
            $b = array_map(static fn (int $i): float => sin($i), range(1, $n));
            $x = Cholesky::of($matrix, $n)->solve($b);
            for ($i = 0; $i < $n; $i++) {
                self::assertEqualsWithDelta($b[$i], array_sum(array_map(static fn (int $j): float => $matrix[$i * $n + $j] * $x[$j], range(0, $n - 1))), 1e-9);
            }
        }
        $this->expectException(SingularMatrix::class);
        Cholesky::of([1.0, 2.0, 2.0, 1.0], 2);
    }

    /** H. H. Rosenbrock, Computer J. 3, 175 (1960): f = 100 (y - x^2)^2 + (1 - x)^2 is least at (1, 1), from (-1.2, 1). */
    public function test_the_least_of_rosenbrocks_valley_is_found(): void
    {
        $least = LevenbergMarquardt::least(static function (array $at): array {
            [$x, $y] = [$at[0], $at[1] ?? 0.0];
            $errors = [10 * ($y - $x * $x), 1 - $x];
            $slopes = [[-20 * $x, 10.0], [-1.0, 0.0]];
            $normal = $gradient = [];
            for ($i = 0; $i < 2; $i++) {
                $gradient[] = $slopes[0][$i] * $errors[0] + $slopes[1][$i] * $errors[1];
                for ($j = 0; $j < 2; $j++) {
                    $normal[] = $slopes[0][$i] * $slopes[0][$j] + $slopes[1][$i] * $slopes[1][$j];
                }
            }

            return [$errors[0] ** 2 + $errors[1] ** 2, $normal, $gradient];
        }, [-1.2, 1.0], -5.0, 5.0);
        self::assertEqualsWithDelta([1.0, 1.0], $least->at, 1e-6);
        self::assertEqualsWithDelta(0.0, $least->cost, 1e-10);
    }
}

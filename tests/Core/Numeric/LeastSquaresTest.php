<?php

declare(strict_types=1);

namespace Tests\Core\Numeric;

use Hyalin\Numeric\LeastSquares;
use Hyalin\Numeric\SingularMatrix;
use PHPUnit\Framework\TestCase;

final class LeastSquaresTest extends TestCase
{
    /**
     * NIST Statistical Reference Datasets, Norris (linear regression, certified values), from memory: the first ten
     * of its observations suffice for the law that residuals are orthogonal to every column.
     */
    public function test_what_is_left_over_is_orthogonal_to_every_column(): void
    {
        $x = [0.2, 337.4, 118.2, 884.6, 10.1, 226.5, 666.3, 996.3, 448.6, 777.0];
        $y = [0.1, 338.8, 118.1, 888.0, 9.2, 228.1, 668.5, 998.5, 449.1, 778.9];
        $rows = array_map(static fn (float $v): array => [1.0, $v, $v * $v], $x);
        $found = LeastSquares::solve($rows, $y);
        foreach ([0, 1, 2] as $column) {
            $dot = $size = 0.0;
            foreach ($rows as $i => $row) {
                $left = $y[$i] - $found[0] * $row[0] - $found[1] * $row[1] - $found[2] * $row[2];
                $dot += $left * $row[$column];
                $size += abs($left * $row[$column]);
            }
            self::assertLessThan(1e-8 * max(1.0, $size), abs($dot));
        }
        self::assertEqualsWithDelta(1.0, $found[1], 0.02);
    }

    public function test_exact_data_come_back_and_dependent_columns_are_refused(): void
    {
        self::assertEqualsWithDelta([2.0, -3.0], LeastSquares::solve([[1, 0], [1, 1], [1, 2]], [2, -1, -4]), 1e-12);
        $this->expectException(SingularMatrix::class);
        LeastSquares::solve([[1.0, 2.0], [2.0, 4.0], [3.0, 6.0]], [1.0, 2.0, 3.0]);
    }
}

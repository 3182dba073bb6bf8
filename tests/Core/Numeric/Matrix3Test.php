<?php

declare(strict_types=1);

namespace Tests\Core\Numeric;

use Hyalin\Numeric\Matrix3;
use Hyalin\Numeric\SingularMatrix;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class Matrix3Test extends TestCase
{
    public function test_what_is_multiplied_can_be_solved_for(): void
    {
        $random = new Randomizer(new Mt19937(1));
        $number = static fn (): float => $random->getInt(-1000, 1000) / 100;
        for ($i = 0; $i < 200; $i++) {
            // A strong diagonal keeps the matrix well away from singular.
            $matrix = Matrix3::of([
                [40 + $number(), $number(), $number()],
                [$number(), 40 + $number(), $number()],
                [$number(), $number(), 40 + $number()],
            ]);
            $x = [$number(), $number(), $number()];
            self::assertEqualsWithDelta($x, $matrix->solve($matrix->times($x)), 1e-10);
        }
    }

    public function test_a_singular_matrix_has_no_solution(): void
    {
        $this->expectException(SingularMatrix::class);
        Matrix3::of([[1.0, 2.0, 3.0], [2.0, 4.0, 6.0], [0.0, 1.0, 0.0]])->solve([1.0, 2.0, 3.0]);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Numeric;

/**
 * A 3 x 3 matrix of real numbers, row-major.
 */
final readonly class Matrix3
{
    /** @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $rows */
    private function __construct(private array $rows)
    {
    }

    /** @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $rows */
    public static function of(array $rows): self
    {
        return new self($rows);
    }

    /**
     * @param  array{float, float, float}  $v
     * @return array{float, float, float}
     */
    public function times(array $v): array
    {
        [$p, $q, $r] = $this->rows;

        return [
            $p[0] * $v[0] + $p[1] * $v[1] + $p[2] * $v[2],
            $q[0] * $v[0] + $q[1] * $v[1] + $q[2] * $v[2],
            $r[0] * $v[0] + $r[1] * $v[1] + $r[2] * $v[2],
        ];
    }

    /**
     * The x of M x = v, by Cramer's rule: exact enough for the well-conditioned matrices of colour science.
     *
     * @param  array{float, float, float}  $v
     * @return array{float, float, float}
     *
     * @throws SingularMatrix when the determinant is zero
     */
    public function solve(array $v): array
    {
        [$p, $q, $r] = $this->rows;
        $determinant = self::determinant($p, $q, $r);
        if ($determinant === 0.0) {
            throw SingularMatrix::ofOrder(3);
        }
        $x = [];
        foreach ([0, 1, 2] as $column) {
            $rows = $this->rows;
            $rows[0][$column] = $v[0];
            $rows[1][$column] = $v[1];
            $rows[2][$column] = $v[2];
            $x[] = self::determinant($rows[0], $rows[1], $rows[2]) / $determinant;
        }

        return $x;
    }

    /**
     * @param  array<int, float>  $p
     * @param  array<int, float>  $q
     * @param  array<int, float>  $r
     */
    private static function determinant(array $p, array $q, array $r): float
    {
        return $p[0] * ($q[1] * $r[2] - $q[2] * $r[1])
            - $p[1] * ($q[0] * $r[2] - $q[2] * $r[0])
            + $p[2] * ($q[0] * $r[1] - $q[1] * $r[0]);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Numeric;

/**
 * The least sum of squares of a problem that is not linear: K. Levenberg, Quart. Appl. Math. 2, 164 (1944), D. W. Marquardt,
 * J. SIAM 11, 431 (1963), with the damping scaled by the diagonal.
 */
final readonly class LevenbergMarquardt
{
    private const STEPS = 80;

    private const HOPELESS = 1e8;

    /** No unknown moves further in one step. */
    private const LONGEST = 1.5;

    /**
     * @param  list<float>  $at  where it is least
     * @param  Cholesky  $normal  J'J there: its inverse is the covariance, where the squares are over their variances
     */
    private function __construct(public array $at, public float $cost, public Cholesky $normal)
    {
    }

    /**
     * @param  callable(list<float>): array{float, array<int, float>, array<int, float>}  $linearised  sum of squares, J'J (row-major, the
     *                                                                                             lower triangle is read) and J'e
     * @param  list<float>  $at  to begin with
     *
     * @throws SingularMatrix when an unknown changes nothing at the solution
     */
    public static function least(callable $linearised, array $at, float $lowest, float $highest): self
    {
        [$cost, $normal, $gradient] = $linearised($at);
        $n = count($at);
        $damping = 1e-3;
        for ($step = 0; $step < self::STEPS && $damping < self::HOPELESS; $step++) {
            $damped = $normal;
            for ($i = 0; $i < $n; $i++) {
                $damped[$i * $n + $i] *= 1 + $damping;
            }
            try {
                $move = Cholesky::of($damped, $n)->solve($gradient);
            } catch (SingularMatrix) {
                $damping *= 10;

                continue;
            }
            $next = [];
            foreach ($at as $i => $v) {
                $next[] = max($lowest, min($highest, $v - max(-self::LONGEST, min(self::LONGEST, $move[$i]))));
            }
            $there = $linearised($next);
            if (! ($there[0] <= $cost)) {
                $damping *= 5;

                continue;
            }
            $gained = $cost - $there[0];
            $at = $next;
            [$cost, $normal, $gradient] = $there;
            $damping /= 5;
            if ($gained < 1e-9 * (1 + $cost)) {
                break;
            }
        }

        return new self($at, $cost, Cholesky::of($normal, $n));
    }
}

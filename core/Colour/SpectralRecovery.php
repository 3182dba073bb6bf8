<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\Numeric\Matrix3;
use Hyalin\Numeric\SingularMatrix;

/**
 * A smooth reflectance for a colour known only by three numbers: among all reflectances in (0,1) with that colour,
 * the one whose logarithmic hyperbolic tangent has the least squared slope ("LHTSS").
 *
 * S. A. Burns, Color Research and Application 45(1), 2-20 (2020, online 2019): minimise the sum of
 * (z[i+1] - z[i])^2 with R = (tanh z + 1) / 2 under three equations on the tristimulus values. Solved by Newton's
 * method; the Hessian is tridiagonal, so each step is one sweep and a 3 x 3 system.
 */
final class SpectralRecovery
{
    private const TOLERANCE = 1e-11;

    /** Newton steps allowed from one start; most colours need six. */
    private const STEPS = 60;

    private const NEAR_STEPS = 10;

    /** The smallest stride from the grey towards the colour before the search gives up. */
    private const SHORTEST_STRIDE = 1 / 1024;

    /**
     * @return Reflectance strictly between 0 and 1; its sRGB is within 1e-6 of the colour asked for
     *
     * @throws InvalidSpectrum when no reflectance between 0 and 1 has this colour
     */
    public static function of(Xyz $colour): Reflectance
    {
        $sum = SpectralSum::under($colour->white);
        $white = $sum->white();
        // Relative to the white, so that each equation has the size 1.
        $target = [$colour->x / $white[0], $colour->y / $white[1], $colour->z / $white[2]];
        $level = $target[1];
        // Black and white have no solution inside (0,1), but one is as near as an 8-bit colour needs.
        if (max($target) < 5e-8) {
            return max(array_map('abs', $target)) < 5e-8 ? Reflectance::flat(5e-8) : throw InvalidSpectrum::notRecoverable();
        }
        if (min($target) > 1 - 1e-6 && max($target) < 1 + 1e-6) {
            return Reflectance::flat(1 - 1e-6);
        }
        if ($level <= 0 || $level >= 1 || min($target) <= 0) {
            throw InvalidSpectrum::notRecoverable();
        }
        $weights = [];
        foreach ([$sum->x, $sum->y, $sum->z] as $i => $row) {
            $weights[] = array_map(static fn (float $w): float => $w / $white[$i], $row);
        }
        $z = self::approach($weights, $target);

        return Reflectance::of(array_map(static fn (float $v): float => (tanh($v) + 1) / 2, $z));
    }

    /**
     * Of a colour that was read with an error and may lie a little outside of what a surface can have: then of the nearest one
     * towards black and grey, in steps of a hundredth.
     *
     * @throws InvalidSpectrum when a tenth is not enough
     */
    public static function within(Lab $read): Reflectance
    {
        for ($step = 0; ; $step++) {
            $near = Lab::of((1 - 0.004 * $step) * $read->lightness, (1 - 0.01 * $step) * $read->a, (1 - 0.01 * $step) * $read->b, $read->white);
            try {
                return self::of($near->toXyz());
            } catch (InvalidSpectrum $e) {
                if ($step === self::NEAR_STEPS) {
                    throw $e;
                }
            }
        }
    }

    /**
     * Newton's method from the grey of the same luminance; where that overshoots, the colour is approached from the
     * grey in strides, each starting from the last answer.
     *
     * @param  list<list<float>>  $w
     * @param  array{float, float, float}  $target
     * @return list<float>
     */
    private static function approach(array $w, array $target): array
    {
        $grey = $target[1];
        $state = [array_fill(0, Bands::COUNT, atanh(2 * $grey - 1)), [0.0, 0.0, 0.0]];
        $reached = 0.0;
        $stride = 1.0;
        while ($reached < 1.0) {
            $next = min(1.0, $reached + $stride);
            $aim = [$grey + $next * ($target[0] - $grey), $grey, $grey + $next * ($target[2] - $grey)];
            $found = self::solve($w, $aim, ...$state);
            if ($found === null) {
                $stride /= 2;
                if ($stride < self::SHORTEST_STRIDE) {
                    throw InvalidSpectrum::notRecoverable();
                }

                continue;
            }
            $state = $found;
            $reached = $next;
        }

        return $state[0];
    }

    /**
     * @param  list<list<float>>  $w  three rows of 36 weights, each summing to 1
     * @param  array{float, float, float}  $target
     * @param  list<float>  $z  start
     * @param  array{float, float, float}  $lambda  multipliers of the three colour equations, start
     * @return array{list<float>, array{float, float, float}}|null z and lambda, or null when it did not settle
     */
    private static function solve(array $w, array $target, array $z, array $lambda): ?array
    {
        $n = Bands::COUNT;
        for ($step = 0; $step < self::STEPS; $step++) {
            $reflectance = $slope = $bend = [];
            foreach ($z as $i => $v) {
                $tanh = tanh($v);
                $reflectance[$i] = ($tanh + 1) / 2;
                $slope[$i] = (1 - $tanh * $tanh) / 2;
                $bend[$i] = -$tanh * (1 - $tanh * $tanh);
            }
            // Residuals of the stationarity equations (rows 0..35) and of the colour equations.
            $gap = [0.0, 0.0, 0.0];
            foreach ([0, 1, 2] as $k) {
                $gap[$k] = -$target[$k];
                foreach ($reflectance as $i => $r) {
                    $gap[$k] += $w[$k][$i] * $r;
                }
            }
            $diagonal = $gradient = [];
            $worst = max(array_map('abs', $gap));
            for ($i = 0; $i < $n; $i++) {
                $pull = $lambda[0] * $w[0][$i] + $lambda[1] * $w[1][$i] + $lambda[2] * $w[2][$i];
                $ends = ($i === 0 ? 0 : 1) + ($i === $n - 1 ? 0 : 1);
                $gradient[$i] = 2 * ($ends * $z[$i] - ($z[$i - 1] ?? 0.0) - ($z[$i + 1] ?? 0.0)) + $slope[$i] * $pull;
                // The difference operator alone is singular (a constant has no slope): a trace of identity keeps
                // the first step solvable and only slows convergence.
                $diagonal[$i] = 2 * $ends + $bend[$i] * $pull + 1e-8;
                $worst = max($worst, abs($gradient[$i]));
            }
            if ($worst < self::TOLERANCE) {
                return [array_values($z), $lambda];
            }
            $columns = [$gradient];
            foreach ([0, 1, 2] as $k) {
                $columns[] = array_map(static fn (float $s, float $v): float => $s * $v, $slope, $w[$k]);
            }
            [$dz, $u0, $u1, $u2] = self::tridiagonal($diagonal, $columns);
            $next = self::newtonStep($w, $slope, $gap, [$u0, $u1, $u2], $dz);
            if ($next === null) {
                return null;
            }
            $change = [];
            foreach ($dz as $i => $d) {
                $change[$i] = -($d + $next[0] * $u0[$i] + $next[1] * $u1[$i] + $next[2] * $u2[$i]);
            }
            // One factor for the whole step keeps Newton's direction.
            $scale = min(1.0, 1.5 / max(1e-300, ...array_map('abs', $change)));
            foreach ($z as $i => $v) {
                $z[$i] = $v + $scale * $change[$i];
                if (! is_finite($z[$i]) || abs($z[$i]) > 18) {
                    return null;
                }
            }
            foreach ([0, 1, 2] as $k) {
                $lambda[$k] += $scale * $next[$k];
            }
        }

        return null;
    }

    /**
     * The step of the three multipliers: the Schur complement of the tridiagonal block. Its sign is such that
     * z moves by -(dz + sum next_k u_k) and lambda by next_k.
     *
     * @param  list<list<float>>  $w
     * @param  array<int, float>  $slope
     * @param  array<int, float>  $gap
     * @param  list<array<int, float>>  $u  H^-1 times the three constraint gradients
     * @param  array<int, float>  $dz  H^-1 times the gradient
     * @return array{float, float, float}|null
     */
    private static function newtonStep(array $w, array $slope, array $gap, array $u, array $dz): ?array
    {
        $schur = [];
        $right = [];
        foreach ([0, 1, 2] as $k) {
            $row = [0.0, 0.0, 0.0];
            $rest = 0.0;
            foreach ($slope as $i => $s) {
                $ws = $w[$k][$i] * $s;
                $row[0] += $ws * $u[0][$i];
                $row[1] += $ws * $u[1][$i];
                $row[2] += $ws * $u[2][$i];
                $rest += $ws * $dz[$i];
            }
            $schur[] = $row;
            $right[] = $gap[$k] - $rest;
        }
        foreach ([...$schur[0], ...$schur[1], ...$schur[2], ...$right] as $value) {
            if (! is_finite($value)) {
                return null;
            }
        }

        try {
            return Matrix3::of([$schur[0], $schur[1], $schur[2]])->solve([$right[0], $right[1], $right[2]]);
        } catch (SingularMatrix) {
            return null;
        }
    }

    /**
     * Thomas' algorithm for a symmetric tridiagonal matrix with -2 beside the diagonal.
     *
     * @param  array<int, float>  $diagonal
     * @param  list<array<int, float>>  $columns  right-hand sides
     * @return list<array<int, float>> one solution a right-hand side
     */
    private static function tridiagonal(array $diagonal, array $columns): array
    {
        $n = count($diagonal);
        $upper = [];
        for ($i = 0; $i < $n; $i++) {
            $pivot = $diagonal[$i] - ($i > 0 ? 4 / $diagonal[$i - 1] : 0.0);
            $diagonal[$i] = $pivot === 0.0 ? 1e-12 : $pivot;
            $upper[$i] = -2 / $diagonal[$i];
        }
        foreach ($columns as $c => $right) {
            for ($i = 0; $i < $n; $i++) {
                $right[$i] = ($right[$i] + ($i > 0 ? 2 * $right[$i - 1] : 0.0)) / $diagonal[$i];
            }
            for ($i = $n - 2; $i >= 0; $i--) {
                $right[$i] -= $upper[$i] * $right[$i + 1];
            }
            $columns[$c] = $right;
        }

        return $columns;
    }
}

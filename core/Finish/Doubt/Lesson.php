<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

use Hyalin\Colour\Lab;
use Hyalin\Numeric\Cholesky;

/**
 * What colours found on a painted piece say of all pots and techniques in it together, each by how unsure it was: the most
 * probable of all ways to come out so. Linear, with normal errors: the weighing of K. F. Gauss, Theoria motus (1809), with what
 * was known before as further equations.
 */
final readonly class Lesson
{
    /** Directions that moved or narrowed by less have not been told anything. */
    private const TOLD = 0.05;

    /**
     * @param  list<array{FinishDoubt, array<string, Lab>}>  $areas  each with the colours found of it, by zone
     * @param  float  $deviation  standard deviation of a found colour in L*, a* and b*, > 0
     * @return list<Learnt> of pots and hands, as far as anything was told of them
     */
    public static function of(array $areas, float $deviation): array
    {
        $places = $directions = $columns = [];
        $right = [];
        $rows = 0;
        foreach ($areas as $n => [$doubt, $found]) {
            foreach ($found as $zone => $seen) {
                $was = $doubt->seen[$zone] ?? null;
                if ($was === null) {
                    continue;
                }
                foreach ([$seen->lightness - $was->lightness, $seen->a - $was->a, $seen->b - $was->b] as $miss) {
                    $right[] = $miss / $deviation;
                }
                foreach ($doubt->directions as $direction) {
                    // Coats are the area's own; a pot or a hand is the same wherever it is met.
                    $key = $direction->cause->kind === CauseKind::Coats ? "{$n}, {$direction->key()}" : $direction->key();
                    $places[$key] ??= count($places);
                    $directions[$places[$key]] = $direction;
                    foreach ($direction->errors[$zone] ?? [] as $i => $error) {
                        $columns[$places[$key]][$rows + $i] = $error / $deviation;
                    }
                }
                $rows += 3;
            }
        }
        $n = count($places);
        if ($n === 0 || $rows === 0) {
            return [];
        }
        [$normal, $sum] = self::equations($columns, $right, $n);
        $factor = Cholesky::of($normal, $n);
        $shift = $factor->solve($sum);
        $covariance = $factor->inverse();
        $learnt = [];
        foreach ($directions as $i => $direction) {
            $left = sqrt(max(0.0, $covariance[$i * $n + $i]));
            if ($direction->cause->kind !== CauseKind::Coats && (abs($shift[$i]) > self::TOLD || $left < 1 - self::TOLD)) {
                $learnt[] = new Learnt($direction->cause, $direction->way, $shift[$i], min(1.0, $left));
            }
        }

        return $learnt;
    }

    /**
     * @param  array<int, array<int, float>>  $columns  by direction, then by row
     * @param  list<float>  $right
     * @return array{array<int, float>, array<int, float>}
     */
    private static function equations(array $columns, array $right, int $n): array
    {
        $normal = array_fill(0, $n * $n, 0.0);
        $sum = array_fill(0, $n, 0.0);
        foreach ($columns as $i => $own) {
            foreach ($own as $row => $v) {
                $sum[$i] += $v * $right[$row];
            }
            foreach ($columns as $j => $other) {
                $dot = 0.0;
                foreach (array_intersect_key($own, $other) as $row => $v) {
                    $dot += $v * $other[$row];
                }
                $normal[$i * $n + $j] = $dot;
            }
        }
        for ($i = 0; $i < $n; $i++) {
            // What was known before: each is one standard deviation long.
            $normal[$i * $n + $i] += 1.0;
        }

        return [$normal, $sum];
    }
}

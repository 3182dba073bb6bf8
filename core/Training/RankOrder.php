<?php

declare(strict_types=1);

namespace Hyalin\Training;

/**
 * How near an order is to the right one: Kendall's rank correlation (M. G. Kendall, A new measure of rank correlation,
 * Biometrika 30, 1938), as the share of pairs that stand rightly.
 */
final class RankOrder
{
    /**
     * @param  list<float>  $values  in the order that was given; rising is right
     * @return float 0 for the reverse, 1 for the right order; pairs of equal values are right either way
     */
    public static function score(array $values): float
    {
        $pairs = $right = 0;
        foreach ($values as $i => $value) {
            foreach (array_slice($values, $i + 1) as $later) {
                $pairs++;
                $right += $later >= $value ? 1 : 0;
            }
        }

        return $pairs === 0 ? 1.0 : $right / $pairs;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * Factor on the next estimate, from the use that past runs recorded and the use estimated for them. A few runs say little, so the
 * default counts as much as two of them.
 */
final class LearnedUse
{
    private const DEFAULT_COUNTS = 2.0;

    private const LEAST = 0.25;

    private const MOST = 4.0;

    /** @param  list<array{float, float}>  $runs  millilitres estimated, millilitres used; those without a estimate are left out */
    public static function factor(array $runs): float
    {
        $sum = self::DEFAULT_COUNTS;
        $count = self::DEFAULT_COUNTS;
        foreach ($runs as [$estimated, $used]) {
            if ($estimated > 0.0 && $used >= 0.0) {
                // One run with a spilt cup must not outweigh the others.
                $sum += min(self::MOST, max(self::LEAST, $used / $estimated));
                $count++;
            }
        }

        return $sum / $count;
    }
}

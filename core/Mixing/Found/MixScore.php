<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Found;

/**
 * What a mix costs: its CIEDE2000 difference, plus 0.30 for every further pot and 0.02 for every further drop. The
 * two prices are settled: a third paint must earn a difference one can just notice over a day's mixing.
 */
final class MixScore
{
    public const PER_PAINT = 0.30;

    public const PER_DROP = 0.02;

    /** @return float score in CIEDE2000 units; less is better */
    public static function of(float $difference, int $paints, int $drops): float
    {
        return $difference + self::effort($paints, $drops);
    }

    /** @return float the part of the score that does not depend on the colour */
    public static function effort(int $paints, int $drops): float
    {
        return self::PER_PAINT * ($paints - 1) + self::PER_DROP * ($drops - 1);
    }
}

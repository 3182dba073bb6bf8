<?php

declare(strict_types=1);

namespace Hyalin\Matching\Comparison;

/**
 * By how much a painted area may differ from what is wanted of it, as a mean CIEDE2000: own estimates.
 */
final class Tolerance
{
    private const USUAL = 3.0;

    private const FOCAL = 2.0;

    /** @param  float|null  $own  as the painter states it; null for less on a focal point than elsewhere */
    public static function of(?float $own, bool $isFocal): float
    {
        return $own ?? ($isFocal ? self::FOCAL : self::USUAL);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * How large areas are that nobody has measured: what is left of the surface that a figure of that height has. A person of
 * 1.75 m and 75 kg has 1.90 m2 of skin (D. Du Bois and E. F. Du Bois, Archives of Internal Medicine 17, 1916, 863: 0.62 of
 * the height squared); clothes, folds and equipment make it half as much again (own estimate).
 */
final class FigureSurface
{
    /** mm of a figure whose height is not stated: own estimate of what is printed most. */
    public const USUAL_HEIGHT = 75.0;

    private const SKIN = 0.62;

    private const CLOTHED = 1.5;

    /** Share of the whole that one eye has: own estimate. */
    private const EYE = 0.001;

    /** Of the whole that is left to unmeasured areas at least, when the measured ones come to more than all: own estimate. */
    private const LEAST = 0.1;

    /**
     * @param  float|null  $heightMm  of the figure; null where it is not stated
     * @return float cm2 in all
     */
    public static function cm2(?float $heightMm): float
    {
        return self::SKIN * self::CLOTHED * (($heightMm ?? self::USUAL_HEIGHT) / 10.0) ** 2;
    }

    /**
     * @param  list<array{float|null, bool}>  $areas  cm2, null where nobody has measured it; whether it is an eye
     * @return list<float> cm2 of each, as measured or estimated
     */
    public static function shared(?float $heightMm, array $areas): array
    {
        $whole = self::cm2($heightMm);
        $known = array_sum(array_column($areas, 0));
        $open = count(array_filter($areas, static fn (array $a): bool => $a[0] === null && ! $a[1]));
        $each = max($whole - $known, self::LEAST * $whole) / max(1, $open);

        return array_map(static fn (array $a): float => $a[0] ?? ($a[1] ? self::EYE * $whole : $each), $areas);
    }
}

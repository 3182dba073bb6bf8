<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\Reflectance;

/**
 * A print before any paint. Through clear resin light comes back only from what lies behind: its own far side and whatever
 * is inside, which is darker than the white paper that its colour was seen before.
 */
final class BarePrint
{
    /** Reflectance of white paper, and of what usually lies behind a clear part of a figure: own estimates. */
    private const PAPER = 0.85;

    private const BEHIND = 0.15;

    /**
     * @param  Reflectance  $beforeWhite  inside its surface, seen before white paper
     * @param  float  $translucency  share of the light that goes through, 0..1
     */
    public static function of(Reflectance $beforeWhite, float $translucency): Reflectance
    {
        $kept = 1 - max(0.0, min(1.0, $translucency)) * (1 - self::BEHIND / self::PAPER);

        return Reflectance::of(array_map(static fn (float $r): float => $r * $kept, $beforeWhite->values));
    }
}

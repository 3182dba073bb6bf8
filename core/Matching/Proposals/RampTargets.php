<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Colour\Lab;
use Hyalin\Finish\Zone;

/**
 * A ramp with a colour for every zone: those that were not sampled lie on the straight line between their neighbours,
 * or go on from the last one by the usual step. They guide the layers and are not counted as targets.
 */
final class RampTargets
{
    /** L* from zone to zone where nothing else is known: own estimate. */
    private const STEP = 12.0;

    /**
     * @param  non-empty-array<string, Lab>  $known  by zone
     * @param  bool  $isLit  whether the zones are those of light and shade: beyond its ends a gradient keeps its colour
     * @return non-empty-array<string, Lab> all five, recess to edge
     */
    public static function complete(array $known, bool $isLit = true): array
    {
        $at = [];
        foreach (Zone::cases() as $i => $zone) {
            if (isset($known[$zone->value])) {
                $at[$i] = $known[$zone->value];
            }
        }
        $ramp = [];
        foreach (Zone::cases() as $i => $zone) {
            $ramp[$zone->value] = $at[$i] ?? self::between($at, $i, $isLit);
        }

        return $ramp;
    }

    /** @param  array<int, Lab>  $at  at least one */
    private static function between(array $at, int $i, bool $isLit): Lab
    {
        $below = $above = null;
        foreach ($at as $j => $_) {
            $below = $j < $i ? $j : $below;
            $above = $j > $i && $above === null ? $j : $above;
        }
        if ($below !== null && $above !== null) {
            $t = ($i - $below) / ($above - $below);
            [$p, $q] = [$at[$below], $at[$above]];

            return Lab::of($p->lightness + $t * ($q->lightness - $p->lightness), $p->a + $t * ($q->a - $p->a), $p->b + $t * ($q->b - $p->b));
        }
        $end = $below ?? $above ?? throw new \LogicException('a ramp has at least one colour');
        $lab = $at[$end];
        if (! $isLit) {
            return $lab;
        }
        $lightness = max(3.0, min(97.0, $lab->lightness + self::STEP * ($i - $end)));
        // Less room for chroma towards black and white.
        $room = max(0.2, 1 - 0.15 * abs($i - $end));

        return Lab::of($lightness, $room * $lab->a, $room * $lab->b);
    }
}

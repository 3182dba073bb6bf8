<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Order\Masking\Masks;
use Hyalin\Plan\StepKind;

/**
 * What is still wet where a step is to be done, and how long: the same rules that the schedule keeps (WorkLags), asked of what
 * was really done.
 */
final class WetPaint
{
    /**
     * @param  array<int, BenchStep>  $steps  of one figure
     * @return array{int, float}|null key of the step that holds it up longest, and the minute from which it may be done; null when
     *                                nothing does
     */
    public static function under(array $steps, BenchStep $step, float $now): ?array
    {
        $held = null;
        foreach ($steps as $key => $done) {
            $until = $done->doneAt === null ? -INF : self::until($done, $step);
            if ($until > $now && ($held === null || $until > $held[1])) {
                $held = [$key, $until];
            }
        }

        return $held;
    }

    /**
     * Open steps that nothing before them is open for: on other parts one may go on.
     *
     * @param  array<int, BenchStep>  $steps  in their order
     * @return list<int> keys
     */
    public static function next(array $steps): array
    {
        $next = $busy = [];
        foreach ($steps as $key => $step) {
            if ($step->doneAt !== null) {
                continue;
            }
            $at = $step->parts === [] ? $step->areas : array_map(static fn (string $part): string => "part {$part}", $step->parts);
            if (array_intersect($at, $busy) === []) {
                $next[] = $key;
            }
            array_push($busy, ...$at);
        }

        return $next;
    }

    private static function until(BenchStep $done, BenchStep $step): float
    {
        if ($step->kind === StepKind::Peel) {
            return -INF;
        }
        if (array_intersect($done->areas, $step->areas) !== [] && ! $step->blendsWet && $done->kind !== StepKind::Mask) {
            return $step->kind === StepKind::Mask ? max($done->dryAt(), ($done->doneAt ?? -INF) + Masks::BEFORE_TAPE) : $done->dryAt();
        }
        $isWhole = $done->areas === [] || $step->areas === [] || $done->kind === StepKind::Prime;

        return $isWhole && array_intersect($done->parts, $step->parts) !== [] ? $done->dryAt() : -INF;
    }
}

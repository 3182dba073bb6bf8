<?php

declare(strict_types=1);

namespace Hyalin\Order;

use Hyalin\Order\Masking\MaskPlan;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * An order as it is worked off at the bench: every mask is a step of its own before its first spray, every peel one after
 * its last.
 */
final class WorkSteps
{
    /** Share of the mask's minutes that goes into taking it off: own estimate. */
    private const PEEL = 0.2;

    /** @return list<Step> */
    public static function of(FigurePlan $figure, PlannedOrder $order): array
    {
        $on = $off = [];
        foreach ($order->masks as $mask) {
            $on[(string) $mask->step][] = $mask;
            $off[(string) $mask->until][] = $mask;
        }
        $steps = [];
        foreach ($order->steps as $step) {
            foreach ($on[(string) $step->id] ?? [] as $mask) {
                $steps[] = self::mask($figure, $mask);
            }
            $steps[] = $step;
            foreach ($off[(string) $step->id] ?? [] as $mask) {
                $steps[] = self::peel($figure, $mask);
            }
        }

        return $steps;
    }

    private static function mask(FigurePlan $figure, MaskPlan $mask): Step
    {
        $mm = round($mask->borderMm());
        $estimated = $mask->estimatedMm > 0.0 ? ' (estimated)' : '';

        return new Step(
            $mask->on(),
            StepKind::Mask,
            'Mask '.self::names($figure, $mask).': '.$mask->material().($mm > 0 ? ", {$mm} mm of border{$estimated}" : ''),
            areas: $mask->protects,
            parts: self::parts($figure, $mask),
            layers: [],
            minutes: (int) ceil($mask->minutes * (1 - self::PEEL)),
            dryMinutes: $mask->fluidMm > 0 ? 15 : 0,
        );
    }

    private static function peel(FigurePlan $figure, MaskPlan $mask): Step
    {
        return new Step(
            $mask->off(),
            StepKind::Peel,
            'Remove the mask from '.self::names($figure, $mask).': '.$mask->peel,
            areas: $mask->protects,
            parts: self::parts($figure, $mask),
            layers: [],
            minutes: max(1, (int) ceil($mask->minutes * self::PEEL)),
            dryMinutes: 0,
        );
    }

    private static function names(FigurePlan $figure, MaskPlan $mask): string
    {
        return implode(', ', array_map(static fn (string $id): string => $figure->area($id)->name ?? $id, $mask->protects));
    }

    /** @return list<string> */
    private static function parts(FigurePlan $figure, MaskPlan $mask): array
    {
        return array_values(array_unique(array_filter(array_map(static fn (string $id): string => $figure->area($id)->part ?? '', $mask->protects))));
    }
}

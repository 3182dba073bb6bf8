<?php

declare(strict_types=1);

namespace Hyalin\Order\Steps;

use Hyalin\Order\Masking\MaskPlan;
use Hyalin\Order\Plan\FigurePlan;
use Hyalin\Order\PlannedOrder;

/**
 * An order as it is worked off at the bench: every mask is a step of its own before its spray, every peel one after it.
 */
final class WorkSteps
{
    /** Share of the mask's minutes that goes into taking it off: own estimate. */
    private const PEEL = 0.2;

    /** @return list<Step> */
    public static function of(FigurePlan $figure, PlannedOrder $order): array
    {
        $masks = [];
        foreach ($order->masks as $mask) {
            $masks[(string) $mask->step][] = $mask;
        }
        $steps = [];
        foreach ($order->steps as $step) {
            foreach ($masks[(string) $step->id] ?? [] as $n => $mask) {
                $steps[] = self::mask($figure, $step, $mask, $n);
            }
            $steps[] = $step;
            foreach ($masks[(string) $step->id] ?? [] as $n => $mask) {
                $steps[] = self::peel($figure, $step, $mask, $n);
            }
        }

        return $steps;
    }

    private static function mask(FigurePlan $figure, Step $spray, MaskPlan $mask, int $n): Step
    {
        $mm = round($mask->tapeMm + $mask->fluidMm);

        return new Step(
            StepId::mask($spray->id, $n),
            StepKind::Mask,
            'Mask '.self::names($figure, $mask).': '.$mask->material().($mm > 0 ? ", {$mm} mm of border" : ''),
            $mask->protects,
            self::parts($figure, $mask),
            [],
            (int) ceil($mask->minutes * (1 - self::PEEL)),
            $mask->fluidMm > 0 ? 15 : 0,
        );
    }

    private static function peel(FigurePlan $figure, Step $spray, MaskPlan $mask, int $n): Step
    {
        return new Step(
            StepId::peel($spray->id, $n),
            StepKind::Peel,
            'Remove the mask from '.self::names($figure, $mask).': '.$mask->peel,
            $mask->protects,
            self::parts($figure, $mask),
            [],
            max(1, (int) ceil($mask->minutes * self::PEEL)),
            0,
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

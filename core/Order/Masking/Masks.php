<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Order\Plan\Approach;
use Hyalin\Order\Plan\AreaPlan;
use Hyalin\Order\Plan\BoundaryPlan;
use Hyalin\Order\Plan\FigurePlan;
use Hyalin\Order\Steps\Step;
use Hyalin\Order\Steps\StepKind;

/**
 * Which finished neighbours a spray asks to be masked, in a given order of steps. Minutes are own estimates, dwell times
 * and materials common practice.
 */
final class Masks
{
    public const TAPE_MINUTES_A_MM = 0.04;

    public const FLUID_MINUTES_A_MM = 0.08;

    public const BULK_MINUTES_A_CM2 = 0.15;

    private const CHIP_MINUTES = 4.0;

    private const CHIP_MINUTES_A_CM2 = 0.1;

    /** Masking fluid is not left on for days. */
    private const FLUID_HOURS = 24;

    private const TAPE_HOURS = 72;

    /**
     * @param  list<Step>  $order
     * @return list<MaskPlan>
     */
    public static function of(FigurePlan $figure, array $order): array
    {
        $masks = [];
        foreach ($order as $n => $step) {
            if ($step->layer()->isOverFluid ?? false) {
                $masks[] = self::chips($figure, $order, $n, $step);
            }
            if ($step->kind === StepKind::Spray && count($step->areas) === 1) {
                $mask = self::at($figure, $order, $n, $step->areas[0]);
                if ($mask !== null) {
                    $masks[] = $mask;
                }
            }
        }

        return $masks;
    }

    /**
     * Masking fluid between the colour to keep and the one that chips off it.
     *
     * @param  list<Step>  $order
     */
    private static function chips(FigurePlan $figure, array $order, int $n, Step $step): MaskPlan
    {
        $area = $figure->area($step->areas[0] ?? '') ?? throw new \LogicException('a layer is on an area');
        $below = self::lastBefore($order, $n, $area->id);

        return new MaskPlan(
            $step->id,
            [$area->id],
            0.0,
            0.0,
            0.0,
            $below === null ? null : $order[$below]->id,
            $below === null ? 0 : $order[$below]->dryMinutes,
            self::FLUID_HOURS,
            self::CHIP_MINUTES + self::CHIP_MINUTES_A_CM2 * $area->squareCm,
            'dab it on where the surface wears, let it turn clear, paint over it, rub it off with a thumb while the coat is soft',
            null,
        );
    }

    /** @return float minutes to protect one area against spray on its neighbour */
    public static function minutes(BoundaryPlan $boundary, AreaPlan $protected): float
    {
        return $boundary->mm * ($boundary->isCurved ? self::FLUID_MINUTES_A_MM : self::TAPE_MINUTES_A_MM) + self::BULK_MINUTES_A_CM2 * $protected->squareCm;
    }

    /** @param  list<Step>  $order */
    private static function at(FigurePlan $figure, array $order, int $n, string $area): ?MaskPlan
    {
        $protects = [];
        $tape = $fluid = $bulk = $minutes = 0.0;
        $after = null;
        $dry = 0;
        $flakes = false;
        foreach ($figure->neighbours($area) as [$other, $boundary]) {
            $last = self::lastBefore($order, $n, $other->id);
            if ($last === null || self::isCoveredLater($order, $n, $other->id)) {
                continue;
            }
            $protects[] = $other->id;
            $tape += $boundary->isCurved ? 0.0 : $boundary->mm;
            $fluid += $boundary->isCurved ? $boundary->mm : 0.0;
            $bulk += $other->squareCm;
            $minutes += self::minutes($boundary, $other);
            $after = $order[$last]->id;
            $dry = max($dry, $order[$last]->dryMinutes);
            $flakes = $flakes || ($order[$last]->layer()->isFlake ?? false);
        }

        return $protects === [] ? null : new MaskPlan(
            $order[$n]->id,
            $protects,
            $tape,
            $fluid,
            $bulk,
            $after,
            $dry,
            $fluid > 0 ? self::FLUID_HOURS : self::TAPE_HOURS,
            $minutes,
            $figure->follows(Approach::PeelSoft) ? 'peel while the top coat is still soft, folded back on itself' : 'peel when it has dried through, the edge cut first',
            $flakes ? 'tape lifts metal flakes: seal it first, or use masking fluid' : null,
        );
    }

    /**
     * The last step that put paint of its own on an area before this one; priming all areas at once is not yet paint.
     *
     * @param  list<Step>  $order
     */
    private static function lastBefore(array $order, int $n, string $area): ?int
    {
        for ($i = $n - 1; $i >= 0; $i--) {
            if ($order[$i]->areas === [$area]) {
                return $i;
            }
        }

        return null;
    }

    /**
     * What will still be covered fully need not be protected.
     *
     * @param  list<Step>  $order
     */
    private static function isCoveredLater(array $order, int $n, string $area): bool
    {
        foreach (array_slice($order, $n + 1) as $later) {
            if ($later->areas === [$area] && ($later->layer()->covers ?? false)) {
                return true;
            }
        }

        return false;
    }
}

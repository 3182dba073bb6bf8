<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Plan\Approach;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;

/**
 * The masks of an order as they are put on: what goes on before the same spray and comes off after the same one is one
 * mask. Minutes are own estimates, dwell times and materials common practice.
 *
 * @phpstan-import-type Piece from MaskRun
 */
final class Masks
{
    /** Minutes that colour dries before tape or fluid lies on it, at least, whatever air moves over it: common practice. */
    public const BEFORE_TAPE = 60;

    private const CHIP_MINUTES = 4.0;

    private const CHIP_MINUTES_A_CM2 = 0.1;

    /** Minutes a top coat stays soft enough to peel at least: common practice. */
    private const SOFT = 30;

    /**
     * @param  list<Step>  $order
     * @return list<MaskPlan> in the order they go on
     */
    public static function of(FigurePlan $figure, array $order): array
    {
        $by = [];
        foreach (MaskRun::of($figure, $order)->pieces(array_keys($order)) as $piece) {
            $by[$piece['on']][$piece['off']][] = $piece;
        }
        $masks = [];
        foreach ($order as $n => $step) {
            $number = 0;
            if ($step->layer()->isOverFluid ?? false) {
                $masks[] = self::chips($figure, $order, $n, $step, $number++);
            }
            foreach ($by[$n] ?? [] as $off => $pieces) {
                $masks[] = self::mask($figure, $order, $n, $off, $pieces, $number++);
            }
        }

        return $masks;
    }

    /**
     * Masking fluid between the colour to keep and the one that chips off it.
     *
     * @param  list<Step>  $order
     */
    private static function chips(FigurePlan $figure, array $order, int $n, Step $step, int $number): MaskPlan
    {
        $area = $figure->area($step->areas[0] ?? '') ?? throw new \LogicException('a layer is on an area');
        $below = null;
        foreach (array_slice($order, 0, $n) as $earlier) {
            $below = $earlier->touches($area->id) ? $earlier : $below;
        }

        return new MaskPlan(
            $step->id,
            $step->id,
            $number,
            protects: [$area->id],
            tapeMm: 0.0,
            fluidMm: 0.0,
            estimatedMm: 0.0,
            squareCm: 0.0,
            after: $below?->id,
            dryMinutes: $below === null ? 0 : max(self::BEFORE_TAPE, $below->dryMinutes),
            mostMinutes: MaskRun::FLUID_HOURS * 60,
            peelMinutes: max(self::SOFT, $step->dryMinutes),
            minutes: self::CHIP_MINUTES + self::CHIP_MINUTES_A_CM2 * $area->squareCm,
            peel: 'dab it on where the surface wears, let it turn clear, paint over it, rub it off with a thumb while the coat is soft',
            warning: null,
        );
    }

    /**
     * @param  list<Step>  $order
     * @param  non-empty-list<Piece>  $pieces
     */
    private static function mask(FigurePlan $figure, array $order, int $on, int $off, array $pieces, int $number): MaskPlan
    {
        $sum = static fn (string $of): float => (float) array_sum(array_column($pieces, $of));
        $after = max(array_column($pieces, 'after'));
        $fluid = $sum('fluid');
        $isSoft = $figure->follows(Approach::PeelSoft);

        return new MaskPlan(
            $order[$on]->id,
            $order[$off]->id,
            $number,
            protects: array_map(static fn (array $p): string => $figure->areas[$p['area']]->id, $pieces),
            tapeMm: $sum('tape'),
            fluidMm: $fluid,
            estimatedMm: $sum('estimated'),
            squareCm: $sum('cm2'),
            after: $after < 0 ? null : $order[$after]->id,
            dryMinutes: max(array_map(static fn (array $p): int => $p['after'] < 0 ? 0 : max(self::BEFORE_TAPE, $order[$p['after']]->dryMinutes), $pieces)),
            mostMinutes: 60 * ($fluid > 0.0 ? MaskRun::FLUID_HOURS : MaskRun::TAPE_HOURS),
            peelMinutes: $isSoft ? max(self::SOFT, $order[$off]->dryMinutes) : null,
            minutes: MaskRun::minutes($sum('tape'), $fluid, $sum('cm2')),
            peel: $isSoft ? 'peel while the top coat is still soft, folded back on itself' : 'peel when it has dried through, the edge cut first',
            warning: self::isOverBareFlakes($order, $pieces) ? 'tape lifts metal flakes: seal it first, or use masking fluid' : null,
        );
    }

    /**
     * @param  list<Step>  $order
     * @param  list<Piece>  $pieces
     */
    private static function isOverBareFlakes(array $order, array $pieces): bool
    {
        foreach ($pieces as $piece) {
            if ($piece['after'] >= 0 && ($order[$piece['after']]->layer()->isFlake ?? false)) {
                return true;
            }
        }

        return false;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\Approach;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * Tape lifts metal flakes: metal comes after every spray beside it, unless it is sealed first. Polished chrome comes
 * after everything and stays uncovered.
 */
final class Metal implements Rule
{
    private const FLAKES = 200.0;

    private const FIRST = 40.0;

    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        foreach ($steps as $metal) {
            $layer = $metal->layer();
            if ($layer === null || (! $layer->isFlake && ! $layer->isChrome)) {
                continue;
            }
            foreach ($steps as $step) {
                if ($step->id->equals($metal->id) || $step->areas === [] || array_intersect($step->areas, $metal->areas) !== []) {
                    continue;
                }
                if ($layer->isChrome && ($step->layer()->isChrome ?? false) === false && array_intersect($step->parts, $metal->parts) !== [] && $this->staysUncovered($figure, $metal, $step)) {
                    yield Constraint::must($step->id, $metal->id, 'chrome last', 'varnish, fingers and tape dull polished metal: nothing comes after it');
                } elseif ($figure->follows(Approach::MetalLast) && $step->kind === StepKind::Spray && $this->meet($figure, $step->areas, $metal->areas)) {
                    yield Constraint::should($step->id, $metal->id, self::FLAKES, 'metal last', 'tape over metal lifts its flakes');
                } elseif ($figure->follows(Approach::MetalFirst) && $step->kind === StepKind::Spray && ! $layer->isChrome && $this->meet($figure, $step->areas, $metal->areas)) {
                    foreach ($steps as $seal) {
                        if ($seal->kind === StepKind::Varnish && array_intersect($seal->areas, $metal->areas) !== []) {
                            yield Constraint::should($seal->id, $step->id, self::FIRST, 'metal first', 'the seal is on before the tape');
                        }
                    }
                    yield Constraint::should($metal->id, $step->id, self::FIRST, 'metal first', 'sealed with gloss it withstands tape, and the colour next to it stays free of flakes');
                }
            }
        }
    }

    /**
     * @param  list<string>  $one
     * @param  list<string>  $two
     */
    private function meet(FigurePlan $figure, array $one, array $two): bool
    {
        foreach ($one as $id) {
            foreach ($figure->neighbourhood()->around($id) as $meeting) {
                if ($meeting->touches && in_array($meeting->other->id, $two, true)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** A colour over chrome in its own area makes it one layer like any other; what lies on it comes after it. */
    private function staysUncovered(FigurePlan $figure, Step $chrome, Step $step): bool
    {
        foreach ($figure->areas as $area) {
            if (in_array($area->id, $chrome->areas, true) && ($area->layers[count($area->layers) - 1] ?? null)?->key !== $chrome->layer()?->key) {
                return false;
            }
            if ($step->touches($area->id) && in_array($area->liesOn, $chrome->areas, true)) {
                return false;
            }
        }

        return true;
    }
}

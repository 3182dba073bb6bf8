<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Order\Plan\FigurePlan;
use Hyalin\Order\Steps\StepKind;

/**
 * Spray goes before brushwork beside it, messy work before neat work: what is done later would have to be protected.
 */
final class SprayBeforeBrush implements Rule
{
    private const SPRAY = 4.0;

    private const MESS = 2.0;

    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        $near = [];
        foreach ($figure->boundaries as $boundary) {
            $near["{$boundary->a} {$boundary->b}"] = $near["{$boundary->b} {$boundary->a}"] = true;
        }
        foreach ($steps as $one) {
            foreach ($steps as $two) {
                if (count($one->areas) !== 1 || count($two->areas) !== 1 || ! isset($near["{$one->areas[0]} {$two->areas[0]}"])) {
                    continue;
                }
                if ($one->kind === StepKind::Spray && in_array($two->kind, [StepKind::Brush, StepKind::DryBrush, StepKind::Wash], true)) {
                    yield Constraint::should($one->id, $two->id, self::SPRAY, 'spray before brush', 'overspray would fall on finished brushwork');
                } elseif ($one->kind->isMessy() && $two->kind === StepKind::Brush) {
                    yield Constraint::should($one->id, $two->id, self::MESS, 'messy before neat', 'drybrush and wash stray onto their surroundings');
                }
            }
        }
    }
}

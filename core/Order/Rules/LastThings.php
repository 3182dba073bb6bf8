<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Order\Plan\FigurePlan;
use Hyalin\Order\Steps\StepKind;

/**
 * Matt over everything before gloss where it is wet; powders after all varnish beside them; a decal when what it lies on
 * is finished.
 */
final class LastThings implements Rule
{
    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        foreach ($steps as $one) {
            foreach ($steps as $two) {
                if ($one->id->equals($two->id) || array_intersect($one->parts, $two->parts) === []) {
                    continue;
                }
                if ($one->kind === StepKind::Varnish && $two->kind === StepKind::Varnish && $one->layer()?->sheen === 'matt' && $two->layer()?->sheen === 'gloss' && array_intersect($one->areas, $two->areas) === []) {
                    yield Constraint::must($one->id, $two->id, 'matt before gloss', 'matt varnish would dull gloss that is already there');
                } elseif ($one->kind === StepKind::Varnish && $two->kind === StepKind::Powder && array_intersect($one->areas, $two->areas) === []) {
                    yield Constraint::must($one->id, $two->id, 'powders last', 'varnish swallows loose powder');
                }
            }
        }
        foreach ($figure->areas as $area) {
            foreach ($area->liesOn === null ? [] : $steps as $own) {
                foreach ($own->touches($area->id) && ! $own->touches((string) $area->liesOn) ? $steps : [] as $below) {
                    if ($below->touches((string) $area->liesOn) && ! $below->touches($area->id)) {
                        yield Constraint::must($below->id, $own->id, 'what it lies on first', "{$area->name} lies on it");
                    }
                }
            }
        }
    }
}

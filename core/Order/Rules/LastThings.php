<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * Matt over everything before gloss where it is wet; powders after all varnish beside them; a decal when what it lies on
 * is finished. What is covered again in its own area - gloss beneath a decal, powder that is fixed - waits for nothing.
 */
final class LastThings implements Rule
{
    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        foreach ($steps as $one) {
            foreach ($one->kind === StepKind::Varnish ? $steps : [] as $two) {
                if (array_intersect($one->parts, $two->parts) === [] || array_intersect($one->areas, $two->areas) !== []) {
                    continue;
                }
                if ($two->kind === StepKind::Varnish && $one->layer()?->sheen === 'matt' && $two->layer()?->sheen === 'gloss' && self::isLast($figure, $two)) {
                    yield Constraint::must($one->id, $two->id, 'matt before gloss', 'matt varnish would dull gloss that is already there');
                } elseif ($two->kind === StepKind::Powder && self::isLast($figure, $two)) {
                    yield Constraint::must($one->id, $two->id, 'powders last', 'varnish swallows loose powder');
                }
            }
        }
        foreach ($figure->areas as $area) {
            yield from $area->liesOn === null ? [] : $this->lying($area, $area->liesOn, $steps);
        }
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<Constraint>
     */
    private function lying(AreaPlan $area, string $carrier, array $steps): iterable
    {
        foreach ($steps as $own) {
            foreach ($own->touches($area->id) && ! $own->touches($carrier) ? $steps : [] as $below) {
                if ($below->touches($carrier) && ! $below->touches($area->id)) {
                    yield Constraint::must($below->id, $own->id, 'what it lies on first', "{$area->name} lies on it", $area->id);
                }
            }
        }
    }

    /** Whether no varnish follows in its own area. */
    private static function isLast(FigurePlan $figure, Step $step): bool
    {
        $key = $step->layer()?->key;
        foreach ($figure->areas as $area) {
            $isAfter = false;
            foreach ($area->layers as $layer) {
                if ($isAfter && $layer->kind === StepKind::Varnish) {
                    return false;
                }
                $isAfter = $isAfter || $layer->key === $key;
            }
        }

        return true;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;

/**
 * The layers of an area in their stack order.
 */
final class StackOrder implements Rule
{
    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        $by = [];
        foreach ($steps as $step) {
            foreach ($step->layers as $layer) {
                $by[$layer->key] = $step->id;
            }
        }
        foreach ($figure->areas as $area) {
            foreach (array_slice($area->layers, 1) as $n => $layer) {
                $below = $area->layers[$n];
                if (! $by[$below->key]->equals($by[$layer->key])) {
                    yield Constraint::must($by[$below->key], $by[$layer->key], 'stack order', "on {$area->name} it lies over {$below->words}");
                }
            }
        }
    }
}

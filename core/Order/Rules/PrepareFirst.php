<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Order\Constraint;
use Hyalin\Order\FigurePlan;
use Hyalin\Order\Rule;
use Hyalin\Order\StepKind;

/**
 * A part is smooth and clean before any paint or glue is on it.
 */
final class PrepareFirst implements Rule
{
    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        foreach ($steps as $prepare) {
            foreach ($prepare->kind === StepKind::Prepare ? $steps : [] as $step) {
                if ($step->kind !== StepKind::Prepare && array_intersect($step->parts, $prepare->parts) !== []) {
                    yield Constraint::must($prepare->id, $step->id, 'preparation first', 'paint shows every line and fingerprint beneath it');
                }
            }
        }
    }
}

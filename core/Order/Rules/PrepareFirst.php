<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;

/**
 * A part is smooth and clean before any paint or glue is on it, and what is attached to it is on before its paint.
 */
final class PrepareFirst implements Rule
{
    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        foreach ($steps as $prepare) {
            foreach ($prepare->kind === StepKind::Prepare ? $steps : [] as $step) {
                if (! in_array($step->kind, [StepKind::Prepare, StepKind::Own], true) && array_intersect($step->parts, $prepare->parts) !== []) {
                    yield Constraint::must($prepare->id, $step->id, 'preparation first', 'paint shows every line and fingerprint beneath it');
                }
            }
        }
        foreach ($figure->parts as $part) {
            foreach ($part->attachments === null ? [] : $steps as $step) {
                if ($step->areas !== [] && in_array($part->id, $step->parts, true)) {
                    yield Constraint::must(StepId::attach($part->id), $step->id, 'attachments before paint', 'magnets, pins and straps hold best on the bare print, and primer covers their marks');
                }
            }
        }
    }
}

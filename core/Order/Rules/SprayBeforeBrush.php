<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Order\Masking\MaskRun;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * Spray goes before brushwork beside it, messy work before neat work: what is done later would have to be protected. Said
 * of the last of one and the first of the other. Where both sides are messy, neither can wait for the other.
 */
final class SprayBeforeBrush implements Rule
{
    /** The mask is counted by itself: this is for the slip that remains. */
    private const SPRAY = 1.0;

    private const MESS = 2.0;

    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        foreach ($figure->neighbourhood()->pairs($figure) as [$a, $b]) {
            yield from $this->beside($steps, $a, $b);
            yield from $this->beside($steps, $b, $a);
        }
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<Constraint>
     */
    private function beside(array $steps, AreaPlan $one, AreaPlan $two): iterable
    {
        $own = array_values(array_filter($steps, static fn (Step $s): bool => $s->areas === [$one->id]));
        $other = array_values(array_filter($steps, static fn (Step $s): bool => $s->areas === [$two->id]));
        $brushed = array_values(array_filter($other, static fn (Step $s): bool => $s->kind === StepKind::Brush));
        $sprays = array_values(array_filter($own, MaskRun::isSpray(...)));
        $messy = array_values(array_filter($own, static fn (Step $s): bool => $s->kind->isMessy()));
        $isNeat = array_filter($other, static fn (Step $s): bool => $s->kind->isMessy()) === [];
        $byHand = array_values(array_filter($other, static fn (Step $s): bool => in_array($s->kind, [StepKind::Brush, StepKind::Wash, StepKind::DryBrush], true)));
        if ($sprays !== [] && $byHand !== []) {
            yield Constraint::should($sprays[count($sprays) - 1]->id, $byHand[0]->id, self::SPRAY, 'spray before brush', 'overspray would fall on finished brushwork');
        }
        if ($messy !== [] && $brushed !== [] && $isNeat) {
            yield Constraint::should($messy[count($messy) - 1]->id, $brushed[0]->id, self::MESS, 'messy before neat', 'drybrush and wash stray onto their surroundings');
        }
    }
}

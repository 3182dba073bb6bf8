<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\JointPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\Seam;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;

/**
 * What a joint hides is painted and varnished before it is glued; other joints are glued before the prime, or after all
 * paint, as the approach has it. The base waits to the last unless the painter glues it first.
 */
final class Assembly implements Rule
{
    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        $bases = array_map(static fn (PartPlan $p): string => $p->id, array_filter($figure->parts, static fn (PartPlan $p): bool => $p->isBase));
        foreach ($figure->joints as $joint) {
            $glue = StepId::glue($joint->a, $joint->b);
            $isBase = array_intersect([$joint->a, $joint->b], $bases) !== [];
            $early = $figure->isGluedEarly($joint);
            yield from $early ? $this->early($joint, $glue, $steps) : $this->late($figure, $joint, $glue, $steps, $isBase);
            yield from $joint->seam === Seam::Filled ? $this->seam($joint, $glue, $steps, $early) : [];
        }
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<Constraint>
     */
    private function early(JointPlan $joint, StepId $glue, array $steps): iterable
    {
        foreach ($steps as $step) {
            if ($step->areas !== [] && array_intersect($step->parts, [$joint->a, $joint->b]) !== []) {
                yield Constraint::must($glue, $step->id, 'glue before primer', 'it hides nothing, and glue holds best on the bare print');
            }
        }
    }

    /**
     * A seam is filled once it is there: before any paint, or on the painted piece with resin that needs no sanding.
     *
     * @param  list<Step>  $steps
     * @return iterable<Constraint>
     */
    private function seam(JointPlan $joint, StepId $glue, array $steps, bool $early): iterable
    {
        $fill = StepId::fill($joint->a, $joint->b);
        yield Constraint::must($glue, $fill, 'glue before filler', 'the gap is there only when the parts are joined');
        foreach ($early ? $steps : [] as $step) {
            if ($step->areas !== [] && array_intersect($step->parts, [$joint->a, $joint->b]) !== []) {
                yield Constraint::must($fill, $step->id, 'filler before primer', 'putty is sanded, and primer shows what was missed');
            }
        }
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<Constraint>
     */
    private function late(FigurePlan $figure, JointPlan $joint, StepId $glue, array $steps, bool $isBase): iterable
    {
        foreach ($steps as $step) {
            $hidden = array_intersect($step->areas, $joint->hides);
            if ($hidden !== []) {
                yield Constraint::must(
                    $step->id,
                    $glue,
                    'hidden before glue',
                    'once glued, no brush or spray reaches '.implode(', ', array_map(static fn (string $id): string => $figure->area($id)->name ?? $id, $hidden)),
                    array_values($hidden)[0],
                );
            } elseif ($step->areas !== [] && array_intersect($step->parts, [$joint->a, $joint->b]) !== []) {
                yield match (true) {
                    $joint->isLast => Constraint::must($step->id, $glue, 'glued last', 'you said that it is joined when both parts are finished'),
                    $isBase => Constraint::must($step->id, $glue, 'base last', 'figure and base are finished apart, and varnish reaches everywhere'),
                    default => Constraint::should($step->id, $glue, 2.0, 'painted in sub-assemblies', 'separate parts are easier to reach'),
                };
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use App\Adapters\Order\WorkPlan;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Brief\Joint;
use App\Models\Brief\Part;
use App\Models\Order\OwnRule;
use Hyalin\Plan\Approach;

/**
 * A figure as it is built.
 */
final readonly class BuildProps
{
    /**
     * @param  list<BuiltPartProps>  $parts
     * @param  list<BuiltAreaProps>  $areas
     * @param  list<JointProps>  $joints
     * @param  list<BoundaryProps>  $boundaries
     * @param  list<OwnRuleProps>  $ownRules
     * @param  list<OwnStepProps>  $ownSteps
     */
    public function __construct(public array $parts, public array $areas, public array $joints, public array $boundaries, public array $ownRules, public array $ownSteps)
    {
    }

    /** On the bare print, before the prime: it hides nothing, and the base waits unless the painter glues it first. */
    private static function isGluedEarly(Figure $figure, Joint $joint): bool
    {
        $isBase = $figure->parts->contains(static fn (Part $p): bool => $p->is_base && in_array($p->id, [$joint->part_id, $joint->other_id], true));
        $schools = $figure->loadMissing('painter')->painter->schools ?? [];

        return ! $joint->is_last && $joint->hiddenAreas->isEmpty() && (! $isBase || in_array(Approach::BaseTogether->value, $schools, true));
    }

    public static function of(Figure $figure): self
    {
        $sizes = WorkPlan::sizes($figure);

        return new self(
            array_values($figure->loadMissing(['joints.hiddenAreas', 'boundaries', 'ownRules', 'ownSteps'])->parts->map(static fn (Part $p): BuiltPartProps => new BuiltPartProps(
                $p->id,
                $p->name,
                $p->process,
                isBase: $p->is_base,
                isFiddly: $p->is_fiddly,
                gritFrom: $p->grit_from,
                gritTo: $p->grit_to,
                sandingRounds: $p->sanding_rounds,
                attachments: $p->attachments,
            ))->all()),
            array_values($figure->areasWithFinishes()->map(static fn (Area $a): BuiltAreaProps => new BuiltAreaProps(
                $a->id,
                $a->name,
                $a->part_id,
                depth: $a->depth,
                squareCm: $a->square_cm,
                estimatedCm2: round($sizes[$a->id], 1),
                isHidden: $a->is_hidden,
                isLeftBare: $a->is_left_bare,
                reach: $a->reach,
            ))->all()),
            array_values($figure->joints->map(static fn (Joint $j): JointProps => new JointProps(
                $j->id,
                $j->part_id,
                $j->other_id,
                array_values($j->hiddenAreas->map(static fn (Area $a): int => $a->id)->all()),
                $j->seam,
                self::isGluedEarly($figure, $j),
            ))->all()),
            BoundaryProps::allOf($figure),
            array_values($figure->ownRules->map(static fn (OwnRule $r): OwnRuleProps => new OwnRuleProps($r->id, $r->before, $r->after, $r->weight, $r->reason))->all()),
            array_values($figure->ownSteps->map(OwnStepProps::of(...))->all()),
        );
    }
}

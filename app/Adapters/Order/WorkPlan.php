<?php

declare(strict_types=1);

namespace App\Adapters\Order;

use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use App\Models\Brief\Boundary;
use App\Models\Brief\Figure;
use App\Models\Brief\Joint;
use App\Models\Brief\Part;
use App\Models\Order\OwnRule;
use Hyalin\Finish\LayerRecipe;
use Hyalin\Finish\StackWork;
use Hyalin\Order\InvalidOrder;
use Hyalin\Order\Plan\Approach;
use Hyalin\Order\Plan\AreaPlan;
use Hyalin\Order\Plan\BoundaryPlan;
use Hyalin\Order\Plan\FigurePlan;
use Hyalin\Order\Plan\JointPlan;
use Hyalin\Order\Plan\PartPlan;
use Hyalin\Order\Rules\Constraint;
use Hyalin\Order\Steps\StepId;

/**
 * A figure as the order of work sees it: its colours become plain words, its techniques kinds of work.
 */
final class WorkPlan
{
    /** Square centimetres of an area that nobody measured: own estimate for a figure of 90 mm. */
    public const USUAL_CM2 = 5.0;

    /** @throws InvalidOrder when it cannot be built so */
    public static function of(Figure $figure): FigurePlan
    {
        $areas = $figure->areasWithFinishes();
        $figure->loadForOrder();
        $parts = array_values($figure->parts->map(static fn (Part $p): PartPlan => new PartPlan((string) $p->id, $p->name, $p->process, $p->is_base, $p->is_fiddly, $p->attachments))->all());
        $painter = $figure->painter ?? $figure->painter()->firstOrFail();

        return FigurePlan::of(
            $parts,
            array_values($areas->map(static fn (Area $a): AreaPlan => self::area($a))->all()),
            array_values($figure->joints->map(static fn (Joint $j): JointPlan => new JointPlan(
                (string) $j->part_id,
                (string) $j->other_id,
                array_values($j->hiddenAreas->map(static fn (Area $a): string => (string) $a->id)->all()),
                $j->seam,
            ))->all()),
            array_values($figure->boundaries->map(static fn (Boundary $b): BoundaryPlan => new BoundaryPlan((string) $b->area_id, (string) $b->other_id, $b->mm, $b->is_curved))->all()),
            array_values(array_filter(array_map(static fn (string $s): ?Approach => Approach::tryFrom($s), $painter->schools ?? []))),
            array_values(array_filter($figure->ownRules->map(static fn (OwnRule $r): ?Constraint => self::constraint($r))->all())),
            (bool) $figure->has_varnish,
        );
    }

    /** @return Constraint|null null for a rule about no step: it has nothing to say */
    private static function constraint(OwnRule $rule): ?Constraint
    {
        [$before, $after] = [StepId::tryParse($rule->before), StepId::tryParse($rule->after)];

        return match (true) {
            $before === null || $after === null => null,
            $rule->weight === null => Constraint::must($before, $after, 'own rule', $rule->reason),
            default => Constraint::should($before, $after, $rule->weight, 'own rule', $rule->reason),
        };
    }

    private static function area(Area $area): AreaPlan
    {
        $layers = StackWork::plans(array_map(static fn (LayerDraft $d): LayerRecipe => $d->recipe(), LayerDraft::stackOf($area)));

        return new AreaPlan(
            (string) $area->id,
            $area->name,
            (string) $area->part_id,
            $area->depth,
            $area->square_cm ?? self::USUAL_CM2,
            $layers,
            $area->lies_on_id === null ? null : (string) $area->lies_on_id,
            $area->is_hidden,
            $area->reach,
        );
    }
}

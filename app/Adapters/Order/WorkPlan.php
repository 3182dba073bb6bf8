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
use App\Models\Order\OwnStep;
use App\Models\Painter;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\LayerRecipe;
use Hyalin\Finish\StackWork;
use Hyalin\Plan\Approach;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\Circumstances;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\FigureSurface;
use Hyalin\Plan\InvalidPlan;
use Hyalin\Plan\JointPlan;
use Hyalin\Plan\OwnStepPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PieceUse;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\StepId;

/**
 * A figure as the order of work sees it: its colours become plain words, its techniques kinds of work.
 */
final class WorkPlan
{
    /** Stands for the whole figure where the painter has named no part. */
    public const WHOLE = '0';

    /** @throws InvalidPlan when it cannot be built so */
    public static function of(Figure $figure): FigurePlan
    {
        $areas = $figure->areasWithFinishes();
        $figure->loadForOrder();
        $parts = array_values($figure->parts->map(static fn (Part $p): PartPlan => new PartPlan(
            (string) $p->id,
            $p->name,
            $p->process,
            isBase: $p->is_base,
            isFiddly: $p->is_fiddly,
            attachments: $p->attachments,
            gritFrom: $p->grit_from,
            gritTo: $p->grit_to,
            sandingRounds: $p->sanding_rounds,
        ))->all());
        $hasParts = $parts !== [];
        $painter = $figure->painter ?? $figure->painter()->firstOrFail();
        $sizes = self::sizes($figure);
        $edges = self::edges($figure);
        $learned = app(LearnedMinutes::class)->of($figure->painter_id);

        return FigurePlan::of(
            $hasParts ? $parts : [new PartPlan(self::WHOLE, $figure->name, PrintProcess::Resin)],
            array_values($areas->map(static fn (Area $a): AreaPlan => self::area($a, $sizes[$a->id], $edges[$a->id] ?? null, $learned, $hasParts ? (string) $a->part_id : self::WHOLE))->all()),
            array_values($figure->joints->map(static fn (Joint $j): JointPlan => new JointPlan(
                (string) $j->part_id,
                (string) $j->other_id,
                array_values($j->hiddenAreas->map(static fn (Area $a): string => (string) $a->id)->all()),
                $j->seam,
                $j->is_last,
            ))->all()),
            array_values($figure->boundaries->map(static fn (Boundary $b): BoundaryPlan => new BoundaryPlan((string) $b->area_id, (string) $b->other_id, $b->mm, $b->is_curved))->all()),
            array_values(array_filter(array_map(static fn (string $s): ?Approach => Approach::tryFrom($s), $painter->schools ?? []))),
            array_values(array_filter($figure->ownRules->map(static fn (OwnRule $r): ?Constraint => self::constraint($r))->all())),
            array_values($figure->ownSteps->map(static fn (OwnStep $o): OwnStepPlan => $o->plan())->all()),
            new Circumstances((bool) $figure->has_varnish, self::sitting($painter), array_values(array_filter(array_map(PieceUse::tryFrom(...), $figure->uses ?? []))), asksUnseen: true),
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

    /** @return array<int, float> cm2 by area: measured, or estimated from the height of the figure */
    public static function sizes(Figure $figure): array
    {
        $areas = $figure->areasWithFinishes();
        $sizes = FigureSurface::shared($figure->height_mm, array_values($areas->map(static fn (Area $a): array => [
            $a->square_cm, $a->form === AreaForm::Eye || preg_match('/\beyes?\b/i', $a->name) === 1,
        ])->all()));

        return array_combine(array_values($areas->map(static fn (Area $a): int => $a->id)->all()), $sizes);
    }

    /** @return array<int, float> mm of all borders by area; missing where none is stated */
    private static function edges(Figure $figure): array
    {
        $edges = [];
        foreach ($figure->boundaries as $b) {
            foreach ([$b->area_id, $b->other_id] as $id) {
                $edges[$id] = ($edges[$id] ?? 0.0) + $b->mm;
            }
        }

        return $edges;
    }

    /** @return int minutes of the painter's longest session */
    private static function sitting(Painter $painter): int
    {
        return max([Circumstances::SITTING, ...array_column($painter->bench_hours ?? [], 'minutes')]);
    }

    /** @param  array<string, float>  $learned  factors on minutes by technique */
    private static function area(Area $area, float $squareCm, ?float $edgeMm, array $learned, string $part): AreaPlan
    {
        $edgeMm ??= AreaPlan::outlineOf($squareCm);
        $layers = StackWork::plans(array_map(static fn (LayerDraft $d): LayerRecipe => $d->recipe(), LayerDraft::stackOf($area)), $squareCm, $edgeMm, $learned);

        return new AreaPlan(
            (string) $area->id,
            $area->name,
            $part,
            depth: $area->depth,
            squareCm: $squareCm,
            layers: $layers,
            liesOn: $area->lies_on_id === null ? null : (string) $area->lies_on_id,
            isHidden: $area->is_hidden,
            reach: $area->reach,
            isLeftBare: $area->is_left_bare,
        );
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Order\Steps;

use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\InvalidPlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\OwnStepPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Seam;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;

/**
 * The steps a figure asks for, in no order yet: preparation, layers, joints. Layers that are put on in one go on several
 * areas are one step.
 */
final class StepList
{
    /** Minutes to shape and smooth a part for its first primer, and a square centimetre of it: own estimates. */
    private const RESIN = [10.0, 0.1];

    private const PLASTIC = [15.0, 0.4];

    /** @return list<Step> */
    public static function of(FigurePlan $figure): array
    {
        return [...self::preparations($figure), ...self::layers($figure), ...self::joints($figure), ...self::own($figure)];
    }

    /** @return list<Step> */
    private static function preparations(FigurePlan $figure): array
    {
        $steps = [];
        foreach ($figure->parts as $part) {
            $sanding = SandingSequence::of($part->process, self::isMirror($figure, $part->id))->between($part->gritFrom, $part->gritTo, $part->sandingRounds);
            $steps[] = new Step(
                StepId::prepare($part->id),
                StepKind::Prepare,
                "Prepare {$part->name}: ".implode(', ', $sanding->words()).($part->isFiddly ? ', mount it on a temporary handle' : ''),
                areas: [],
                parts: [$part->id],
                layers: [],
                minutes: self::minutes($figure, $part),
                dryMinutes: $part->process === PrintProcess::Resin ? 10 : 60,
                makesDust: $sanding->makesDust(),
            );
            if ($part->attachments !== null) {
                $steps[] = new Step(
                    StepId::attach($part->id),
                    StepKind::Glue,
                    "Attach to {$part->name}: {$part->attachments}",
                    areas: [],
                    parts: [$part->id],
                    layers: [],
                    minutes: 10,
                    dryMinutes: 30,
                );
            }
        }

        return $steps;
    }

    /** @return list<Step> */
    private static function layers(FigurePlan $figure): array
    {
        $own = $shared = [];
        foreach ($figure->areas as $area) {
            foreach ($area->layers as $layer) {
                if ($layer->shared === null) {
                    $own[] = new Step(
                        StepId::layer($layer->key),
                        $layer->kind,
                        $layer->words,
                        areas: [$area->id],
                        parts: [$area->part],
                        layers: [$layer],
                        minutes: $layer->minutes,
                        dryMinutes: $layer->dryMinutes,
                    );
                } else {
                    $shared[$layer->shared][] = [$area, $layer];
                }
            }
        }
        $steps = [];
        foreach ($shared as $group) {
            [, $first] = $group[0];
            $steps[] = new Step(
                StepId::layer($first->key),
                $first->kind,
                $first->words,
                areas: array_map(static fn (array $g): string => $g[0]->id, $group),
                parts: array_values(array_unique(array_map(static fn (array $g): string => $g[0]->part, $group))),
                layers: array_map(static fn (array $g): LayerPlan => $g[1], $group),
                // Set up once, then round all of them.
                minutes: array_sum(array_map(static fn (array $g): int => $g[1]->minutes - $g[1]->setUpMinutes, $group)) + $first->setUpMinutes,
                dryMinutes: $first->dryMinutes,
            );
        }

        return [...$steps, ...$own];
    }

    /** @return list<Step> */
    private static function joints(FigurePlan $figure): array
    {
        $names = [];
        foreach ($figure->parts as $part) {
            $names[$part->id] = $part->name;
        }
        $steps = [];
        foreach ($figure->joints as $joint) {
            $a = $names[$joint->a] ?? throw InvalidPlan::unknown($joint->a, 'a joint');
            $b = $names[$joint->b] ?? throw InvalidPlan::unknown($joint->b, 'a joint');
            $steps[] = new Step(
                StepId::glue($joint->a, $joint->b),
                StepKind::Glue,
                "Dry-fit, then glue {$a} to {$b}; keep the joint free of paint",
                areas: [],
                parts: [$joint->a, $joint->b],
                layers: [],
                minutes: 10,
                dryMinutes: 30,
            );
            if ($joint->seam === Seam::Filled) {
                $isEarly = $figure->isGluedEarly($joint);
                $steps[] = new Step(
                    StepId::fill($joint->a, $joint->b),
                    StepKind::Fill,
                    $isEarly
                        ? "Fill the seam of {$a} and {$b} with putty, smooth it when hard"
                        : "Fill the seam of {$a} and {$b} with a very thin line of resin, cured spot by spot; it needs no sanding. Touch the line up",
                    areas: [],
                    parts: [$joint->a, $joint->b],
                    layers: [],
                    minutes: Seam::MINUTES,
                    dryMinutes: $isEarly ? Seam::PUTTY_MINUTES : Seam::RESIN_MINUTES,
                    makesDust: $isEarly,
                );
            }
        }

        return $steps;
    }

    /** @return list<Step> */
    private static function own(FigurePlan $figure): array
    {
        return array_map(static fn (OwnStepPlan $o): Step => new Step(
            StepId::own($o->key),
            StepKind::Own,
            $o->words,
            areas: [],
            parts: $o->part === null ? [] : [$o->part],
            layers: [],
            minutes: $o->minutes,
            dryMinutes: $o->dryMinutes,
            makesDust: false,
            ownTool: $o->tool,
            caution: $o->caution,
        ), $figure->ownSteps);
    }

    private static function minutes(FigurePlan $figure, PartPlan $part): int
    {
        [$setUp, $perCm2] = $part->process === PrintProcess::Resin ? self::RESIN : self::PLASTIC;
        $cm2 = array_sum(array_map(static fn (AreaPlan $a): float => $a->part === $part->id ? $a->squareCm : 0.0, $figure->areas));

        return (int) round($setUp + $perCm2 * $cm2);
    }

    private static function isMirror(FigurePlan $figure, string $part): bool
    {
        foreach ($figure->areas as $area) {
            foreach ($area->part === $part ? $area->layers : [] as $layer) {
                if ($layer->isChrome) {
                    return true;
                }
            }
        }

        return false;
    }
}

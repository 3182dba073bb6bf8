<?php

declare(strict_types=1);

namespace App\Actions;

use App\Adapters\FigureOptics;
use App\Adapters\LayerDraft;
use App\Adapters\WorkPlan;
use App\Http\Props\AreaFinishProps;
use App\Http\Props\ColourProps;
use App\Models\Area;
use App\Models\Figure;
use Hyalin\Finish\Section;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Hyalin\Order\OrderPlanner;

/**
 * The steps of a figure: the layers of each area, in the order of work. Spray layers at the bottom that several areas share
 * are one step for all of them, as one sprays a whole figure in one go.
 */
final class PlanSteps
{
    /** Sprayed on the whole figure before anything is masked. */
    private const PRIMING = [Technique::SprayCan, Technique::ZenithalSpray, Technique::SlantedSpray, Technique::SprayFromBelow];

    /** @return list<array<string, mixed>> attributes of App\Models\RunStep, in order */
    public function __invoke(Figure $figure): array
    {
        $areas = $figure->areas()->with(['layers.paints.paint', 'part'])->get()
            ->filter(static fn (Area $a): bool => $a->layers->isNotEmpty());
        $shared = $sprayed = $own = [];
        foreach ($areas as $area) {
            $drafts = AreaFinishProps::drafts($area);
            $section = FigureOptics::of($figure, $area)->section($drafts);
            // Only while every layer so far was sprayed: a spray later on is masked and belongs to its area.
            $path = '';
            $spraying = true;
            foreach ($drafts as $i => $draft) {
                $path .= $draft->signature();
                $spraying = $spraying && in_array($draft->technique, self::PRIMING, true);
                $step = self::step($area, $draft, $section, $i);
                if ($spraying) {
                    $shared[$path] ??= $step;
                    $sprayed[$path][] = $area->name;
                } else {
                    $own[] = $step;
                }
            }
        }
        foreach ($sprayed as $path => $names) {
            if (count($names) > 1) {
                $shared[$path] = [...$shared[$path], 'area_name' => implode(', ', $names), 'part_name' => null];
            }
        }
        $steps = self::inOrder($figure, [...array_values($shared), ...$own]);
        foreach ($steps as $position => $_) {
            $steps[$position]['position'] = $position + 1;
        }

        return $steps;
    }

    /**
     * As the order of work has it; where that cannot be made, as the areas stand.
     *
     * @param  list<array<string, mixed>>  $steps
     * @return list<array<string, mixed>>
     */
    private static function inOrder(Figure $figure, array $steps): array
    {
        try {
            $plan = WorkPlan::of($figure);
            $order = $figure->own_order === null ? OrderPlanner::plan($plan) : OrderPlanner::judge($plan, $figure->own_order);
        } catch (InvalidInput) {
            return $steps;
        }
        $at = [];
        foreach ($order->steps as $n => $step) {
            foreach ($step->layers as $layer) {
                $at[$layer->key] = $n;
            }
        }
        usort($steps, static fn (array $p, array $q): int => ($at[self::key($p)] ?? PHP_INT_MAX) <=> ($at[self::key($q)] ?? PHP_INT_MAX));

        return $steps;
    }

    /** @param  array<string, mixed>  $step */
    private static function key(array $step): string
    {
        return is_string($step['layer_key']) ? $step['layer_key'] : '';
    }

    /** @return array<string, mixed> */
    private static function step(Area $area, LayerDraft $draft, Section $section, int $index): array
    {
        $row = $section->rows[$index + 1];
        $colours = [];
        foreach (Zone::cases() as $zone) {
            $colours[$zone->value] = ColourProps::of($row->cell($zone)->seen)->hex;
        }

        return [
            'layer_key' => $draft->key,
            'part_name' => $area->part?->name,
            'area_name' => $area->name,
            'technique' => $draft->technique,
            'zones' => $draft->zones,
            'thinner' => $draft->thinner,
            'coats' => $draft->coats,
            'planned_mix' => array_map(static fn (array $entry): array => [
                'paintId' => $entry[0]->id,
                'maker' => $entry[0]->maker,
                'name' => $entry[0]->name,
                'hex' => $entry[0]->thick_hex,
                'drops' => $entry[1],
            ], $draft->mix),
            'planned_colours' => $colours,
            'drying_minutes' => $draft->technique->dryingMinutes(),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\PlannedStep;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Order\FigureOrder;
use App\Adapters\Order\LearnedMinutes;
use App\Adapters\Order\WorkPlan;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Cautions\Cautions;
use Hyalin\Colour\GamutMapping;
use Hyalin\Finish\LayerRecipe;
use Hyalin\Finish\Section;
use Hyalin\Finish\StackWork;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;

/**
 * The steps of a figure in the order of work: preparation, masks, layers, glue. Where that order cannot be made, the
 * layers alone, as the areas stand; sprays at the bottom that several areas share are then one step.
 */
final class PlanSteps
{
    /** @return list<PlannedStep> in order */
    public function __invoke(Figure $figure): array
    {
        [$layers, $sharing] = self::layers($figure);
        if ($layers === []) {
            return [];
        }
        try {
            $steps = self::inOrder(FigureOrder::of($figure), $layers, app(LearnedMinutes::class)->of($figure->painter_id));
        } catch (InvalidInput) {
            $steps = self::asTheyStand($layers, $sharing);
        }

        return array_map(static fn (PlannedStep $s, int $n): PlannedStep => $s->with(['position' => $n + 1]), $steps, array_keys($steps));
    }

    /**
     * Every layer of the figure as a step of its own.
     *
     * @return array{array<string, PlannedStep>, array<string, string>} by area and key of the layer; and what those that are
     *                                                                     sprayed in one go have in common
     */
    private static function layers(Figure $figure): array
    {
        $layers = $sharing = [];
        $sizes = WorkPlan::sizes($figure);
        foreach ($figure->areasWithFinishes() as $area) {
            $drafts = LayerDraft::stackOf($area);
            if ($drafts === []) {
                continue;
            }
            $section = FigureOptics::of($figure, $area)->section($drafts);
            $squareCm = $sizes[$area->id];
            $shared = StackWork::sharing(array_map(static fn (LayerDraft $d): LayerRecipe => $d->recipe(), $drafts));
            foreach ($drafts as $i => $draft) {
                $layers["{$area->id} {$draft->key}"] = self::layer($area, $draft, $section, $i, $squareCm);
                if (isset($shared[$i])) {
                    $sharing["{$area->id} {$draft->key}"] = $shared[$i];
                }
            }
        }

        return [$layers, $sharing];
    }

    /**
     * @param  array<string, PlannedStep>  $layers
     * @param  array<string, float>  $learned  factors on minutes by technique
     * @return list<PlannedStep>
     */
    private static function inOrder(FigureOrder $order, array $layers, array $learned): array
    {
        $parts = [];
        foreach ($order->plan->parts as $part) {
            $parts[$part->id] = $part;
        }
        $steps = [];
        foreach ($order->steps() as $step) {
            $paint = $step->layers === [] ? null : $layers["{$step->areas[0]} {$step->layers[0]->key}"] ?? null;
            $factor = $learned[$paint?->technique()->value ?? ''] ?? 1.0;
            $steps[] = new PlannedStep(
                [...($paint->attributes ?? self::unpainted($step)), ...self::common($order, $step, $parts), 'usual_minutes' => (int) round($step->minutes / $factor)],
                array_map(intval(...), $step->areas),
                array_values(array_filter(array_map(intval(...), $step->parts))),
            );
        }

        return $steps;
    }

    /**
     * @param  array<string, PartPlan>  $parts
     * @return array<string, mixed>
     */
    private static function common(FigureOrder $order, Step $step, array $parts): array
    {
        $areas = array_map(static fn (string $id): string => $order->plan->area($id)->name ?? '', $step->areas);
        $names = array_map(static fn (string $id): string => ($parts[$id] ?? null)->name ?? '', $step->parts);
        $cm2 = array_sum(array_map(static fn (string $id): float => $order->plan->area($id)->squareCm ?? 0.0, $step->areas));

        return [
            'kind' => $step->kind,
            'step_key' => (string) $step->id,
            'part_name' => count($names) === 1 ? $names[0] : null,
            'area_name' => implode(', ', $areas ?: $names),
            'area_names' => $areas ?: $names,
            'minutes' => $step->minutes,
            'drying_minutes' => $step->dryMinutes,
            'square_cm' => $cm2 > 0.0 ? $cm2 : null,
            'tool' => $step->tool(),
            'cautions' => [...array_values(Cautions::at($step, ($parts[$step->parts[0] ?? ''] ?? null)->process ?? PrintProcess::Resin)), ...($step->caution === null ? [] : [$step->caution])],
            'most_minutes' => $order->mostMinutes($step),
        ];
    }

    /** @return array<string, mixed> */
    private static function unpainted(Step $step): array
    {
        return [
            'layer_key' => null,
            'technique' => null,
            'words' => $step->words,
            'zones' => [],
            'thinner' => 0.0,
            'coats' => 1,
            'planned_mix' => [],
            'planned_colours' => [],
        ];
    }

    /**
     * @param  array<string, PlannedStep>  $layers
     * @param  array<string, string>  $sharing
     * @return list<PlannedStep>
     */
    private static function asTheyStand(array $layers, array $sharing): array
    {
        $shared = $on = $own = [];
        foreach ($layers as $key => $step) {
            $path = $sharing[$key] ?? null;
            if ($path === null) {
                $own[] = $step;
            } else {
                $shared[$path] ??= $step;
                $on[$path][] = $step;
            }
        }
        foreach ($on as $path => $steps) {
            if (count($steps) > 1) {
                $names = array_map(static fn (PlannedStep $s): string => $s->areaName(), $steps);
                $shared[$path] = new PlannedStep(
                    [...$shared[$path]->attributes, 'area_name' => implode(', ', $names), 'area_names' => $names, 'part_name' => null],
                    array_merge(...array_map(static fn (PlannedStep $s): array => $s->areaIds, $steps)),
                    [],
                );
            }
        }

        return [...array_values($shared), ...$own];
    }

    private static function layer(Area $area, LayerDraft $draft, Section $section, int $index, float $squareCm): PlannedStep
    {
        $row = $section->rows[$index + 1];
        $usual = $draft->recipe()->handsOnMinutes($squareCm, AreaPlan::outlineOf($squareCm));
        $colours = [];
        foreach (Zone::cases() as $zone) {
            $colours[$zone->value] = GamutMapping::displayed($row->cell($zone)->seen)->shown->toHex();
        }

        return new PlannedStep([
            'layer_key' => $draft->key,
            'part_name' => $area->part?->name,
            'area_name' => $area->name,
            'area_names' => [$area->name],
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
            'drying_minutes' => $draft->recipe()->dryingMinutes(),
            'minutes' => $usual,
            'usual_minutes' => $usual,
            'square_cm' => $squareCm,
        ], [$area->id], []);
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Order\FigureOrder;
use App\Http\Props\ColourProps;
use App\Http\Props\Finish\AreaFinishProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Cautions\Cautions;
use Hyalin\Finish\Section;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Hyalin\Order\Plan\PartPlan;
use Hyalin\Order\Plan\PrintProcess;
use Hyalin\Order\Steps\Step;
use Hyalin\Order\Steps\StepKind;

/**
 * The steps of a figure in the order of work: preparation, masks, layers, glue. Where that order cannot be made, the
 * layers alone, as the areas stand; sprays at the bottom that several areas share are then one step.
 *
 * @phpstan-type StepAttributes array<string, mixed>
 */
final class PlanSteps
{
    /** Sprayed on the whole figure before anything is masked. */
    private const PRIMING = [Technique::SprayCan, Technique::ZenithalSpray, Technique::SlantedSpray, Technique::SprayFromBelow];

    /** @return list<StepAttributes> of App\Models\Bench\RunStep, in order */
    public function __invoke(Figure $figure): array
    {
        [$layers, $sharing] = self::layers($figure);
        if ($layers === []) {
            return [];
        }
        try {
            $steps = self::inOrder(FigureOrder::of($figure), $layers);
        } catch (InvalidInput) {
            $steps = self::asTheyStand($layers, $sharing);
        }
        foreach ($steps as $position => $_) {
            $steps[$position]['position'] = $position + 1;
        }

        return $steps;
    }

    /**
     * Every layer of the figure as a step of its own.
     *
     * @return array{array<string, StepAttributes>, array<string, string>} by area and key of the layer; and what those that are
     *                                                                     sprayed in one go have in common
     */
    private static function layers(Figure $figure): array
    {
        $layers = $sharing = [];
        foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
            $drafts = AreaFinishProps::drafts($area);
            if ($drafts === []) {
                continue;
            }
            $section = FigureOptics::of($figure, $area)->section($drafts);
            // Only while every layer so far was sprayed: a spray later on is masked and belongs to its area.
            $path = '';
            $spraying = true;
            foreach ($drafts as $i => $draft) {
                $path .= $draft->signature();
                $spraying = $spraying && in_array($draft->technique, self::PRIMING, true);
                $layers["{$area->id} {$draft->key}"] = self::layer($area, $draft, $section, $i);
                if ($spraying) {
                    $sharing["{$area->id} {$draft->key}"] = $path;
                }
            }
        }

        return [$layers, $sharing];
    }

    /**
     * @param  array<string, StepAttributes>  $layers
     * @return list<StepAttributes>
     */
    private static function inOrder(FigureOrder $order, array $layers): array
    {
        $parts = [];
        foreach ($order->plan->parts as $part) {
            $parts[$part->id] = $part;
        }
        $steps = [];
        foreach ($order->steps() as $step) {
            $paint = $step->layers === [] ? null : $layers["{$step->areas[0]} {$step->layers[0]->key}"] ?? null;
            $steps[] = [...($paint ?? self::unpainted($step)), ...self::common($order, $step, $parts)];
        }

        return $steps;
    }

    /**
     * @param  array<string, PartPlan>  $parts
     * @return StepAttributes
     */
    private static function common(FigureOrder $order, Step $step, array $parts): array
    {
        $areas = array_map(static fn (string $id): string => $order->plan->area($id)->name ?? '', $step->areas);
        $names = array_map(static fn (string $id): string => ($parts[$id] ?? null)->name ?? '', $step->parts);
        $cm2 = array_sum(array_map(static fn (string $id): float => $order->plan->area($id)->squareCm ?? 0.0, $step->areas));

        return [
            'kind' => $step->kind,
            'step_key' => $step->id,
            'part_name' => count($names) === 1 ? $names[0] : null,
            'area_name' => implode(', ', $areas ?: $names),
            'part_ids' => array_map(intval(...), $step->parts),
            'area_ids' => array_map(intval(...), $step->areas),
            'minutes' => $step->minutes,
            'drying_minutes' => $step->dryMinutes,
            'square_cm' => $cm2 > 0.0 ? $cm2 : null,
            'tool' => self::tool($step->kind),
            'cautions' => array_values(Cautions::at($step, ($parts[$step->parts[0] ?? ''] ?? null)->process ?? PrintProcess::Resin)),
            'most_minutes' => $order->mostMinutes($step),
        ];
    }

    /** What a kind of step is done with. */
    public static function tool(StepKind $kind): string
    {
        return match ($kind) {
            StepKind::Prepare => 'files and paper',
            StepKind::Glue => 'glue',
            StepKind::Fill => 'filler',
            StepKind::Prime, StepKind::Spray, StepKind::Varnish => 'airbrush or can',
            StepKind::Mask, StepKind::Peel => 'masks',
            default => 'brush',
        };
    }

    /** @return StepAttributes */
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
     * @param  array<string, StepAttributes>  $layers
     * @param  array<string, string>  $sharing
     * @return list<StepAttributes>
     */
    private static function asTheyStand(array $layers, array $sharing): array
    {
        $shared = $names = $own = [];
        foreach ($layers as $key => $step) {
            $path = $sharing[$key] ?? null;
            if ($path === null) {
                $own[] = $step;
            } else {
                $shared[$path] ??= $step;
                $names[$path][] = is_string($step['area_name']) ? $step['area_name'] : '';
            }
        }
        foreach ($names as $path => $areas) {
            if (count($areas) > 1) {
                $shared[$path] = [...$shared[$path], 'area_name' => implode(', ', $areas), 'part_name' => null];
            }
        }

        return [...array_values($shared), ...$own];
    }

    /** @return StepAttributes */
    private static function layer(Area $area, LayerDraft $draft, Section $section, int $index): array
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
            'area_ids' => [$area->id],
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
            'minutes' => $draft->coats * $draft->technique->handsOnMinutes(),
            'square_cm' => $area->square_cm,
        ];
    }
}

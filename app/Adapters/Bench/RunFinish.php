<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Adapters\Finish\LayerDraft;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Area;
use App\Models\Shelf\Paint;
use Illuminate\Database\Eloquent\Collection;

/**
 * The finish of an area as a run really painted it: the layers of its plan with the mixes and coats that were used, those
 * that were skipped left out.
 */
final class RunFinish
{
    /** @return list<LayerDraft> empty when the area has no layer in the run */
    public static function of(Area $area, Run $run): array
    {
        $run->loadMissing('steps.areas');
        $steps = [];
        foreach ($run->steps as $step) {
            if (($step->layer_key !== null || self::isRepair($step)) && $step->verdict === null && ($step->copy === null || $step->copy === 1)) {
                $steps[] = $step;
            }
        }
        $drafts = [];
        foreach (LayerDraft::stackOf($area) as $draft) {
            foreach (self::matching($steps, $area, $draft) as $step) {
                if ($step->state !== RunStepState::Skipped) {
                    $drafts[] = [$step->position, self::draft($draft, $step, $run->pots())];
                }
            }
        }
        foreach ($steps as $step) {
            $repair = self::isRepair($step) && $step->state === RunStepState::Done && in_array($area->id, $step->areaIds(), true) ? self::repair($step, $run->pots()) : null;
            if ($repair !== null) {
                $drafts[] = [$step->position, $repair];
            }
        }
        usort($drafts, static fn (array $p, array $q): int => $p[0] <=> $q[0]);

        return array_column($drafts, 1);
    }

    /** A layer that no plan has: it was put on all the same. */
    private static function isRepair(RunStep $step): bool
    {
        return $step->is_inserted && $step->layer_key === null && $step->technique !== null && $step->planned_mix !== [];
    }

    /** @param  Collection<int, Paint>  $pots */
    private static function repair(RunStep $step, Collection $pots): ?LayerDraft
    {
        $mix = self::mix($step, $pots);
        $technique = $step->technique;

        return $mix === [] || $technique === null
            ? null
            : new LayerDraft(str_pad("R{$step->id}", 26, '0'), $technique, $step->zones ?: $technique->spec()->usualZones, $step->thinner, $step->used_coats ?? $step->coats, $mix, $step->words);
    }

    /**
     * The steps that put a layer on: its own, those done once more, or one that it shares with other areas.
     *
     * @param  list<RunStep>  $steps
     * @return list<RunStep>
     */
    private static function matching(array $steps, Area $area, LayerDraft $draft): array
    {
        $own = array_values(array_filter($steps, static fn (RunStep $s): bool => $s->layer_key === $draft->key));
        $steps = array_values(array_filter($steps, static fn (RunStep $s): bool => $s->layer_key !== null));

        return $own ?: array_values(array_filter($steps, static fn (RunStep $s): bool => count($s->areaIds()) > 1
            && in_array($area->id, $s->areaIds(), true) && $s->technique === $draft->technique && $s->planned_mix !== []
            && array_column($s->planned_mix, 'paintId') === array_map(static fn (array $e): int => $e[0]->id, $draft->mix)));
    }

    /** @param  Collection<int, Paint>  $pots  that the run names */
    private static function draft(LayerDraft $plan, RunStep $step, Collection $pots): LayerDraft
    {
        return new LayerDraft($plan->key, $step->technique ?? $plan->technique, $step->zones ?: $plan->zones, $step->thinner, $step->used_coats ?? $step->coats, self::mix($step, $pots) ?: $plan->mix, $plan->note);
    }

    /**
     * @param  Collection<int, Paint>  $pots
     * @return list<array{Paint, int|float}> what was used
     */
    private static function mix(RunStep $step, Collection $pots): array
    {
        $mix = [];
        foreach ($step->used_mix ?? $step->planned_mix as $entry) {
            $pot = $pots->find($entry['paintId']);
            if ($pot !== null) {
                $mix[] = [$pot, $entry['drops']];
            }
        }

        return $mix;
    }
}

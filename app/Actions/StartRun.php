<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Figure;
use App\Models\NextNumber;
use App\Models\Run;
use App\Models\RunStep;
use Illuminate\Support\Facades\DB;

/**
 * Begins a run: from the plan, or as a repeat of what an earlier run really did.
 */
final readonly class StartRun
{
    public function __construct(private PlanSteps $plan)
    {
    }

    /** @return Run|null null when the figure has no layer to paint */
    public function __invoke(Figure $figure, ?Run $repeats = null): ?Run
    {
        $steps = $repeats === null ? ($this->plan)($figure) : self::asDone($repeats);
        if ($steps === []) {
            return null;
        }

        return DB::transaction(static function () use ($figure, $repeats, $steps): Run {
            $run = new Run(['figure_id' => $figure->id, 'repeats_id' => $repeats?->id]);
            $run->painter_id = $figure->painter_id;
            $run->number = NextNumber::of($figure->runs(), 'number');
            $run->save();
            foreach ($steps as $step) {
                $run->steps()->create($step);
            }

            return $run;
        });
    }

    /** @return list<array<string, mixed>> */
    private static function asDone(Run $run): array
    {
        return array_values($run->steps->map(static fn (RunStep $step): array => [
            'position' => $step->position,
            'layer_key' => $step->layer_key,
            'part_name' => $step->part_name,
            'area_name' => $step->area_name,
            'technique' => $step->technique,
            'zones' => $step->zones,
            'thinner' => $step->thinner,
            'coats' => $step->used_coats ?? $step->coats,
            'planned_mix' => $step->used_mix ?? $step->planned_mix,
            'planned_colours' => $step->planned_colours,
            'drying_minutes' => $step->drying_minutes,
        ])->all());
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\PlannedStep;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Brief\Figure;
use App\Models\NextNumber;
use Hyalin\Bench\BatchMode;
use Illuminate\Support\Facades\DB;

/**
 * Begins a run: from the plan, or as a repeat of what an earlier run really did.
 */
final readonly class StartRun
{
    private const AT_ONCE = 200;

    public function __construct(private PlanSteps $plan)
    {
    }

    /**
     * @param  int|null  $copies  equal figures painted in this run; as many as the figure has by default
     * @return Run|null null when the figure has no layer to paint
     */
    public function __invoke(Figure $figure, ?Run $repeats = null, ?int $copies = null, BatchMode $mode = BatchMode::StepByStep): ?Run
    {
        $steps = $repeats === null ? ($this->plan)($figure) : self::asDone($repeats);
        if ($steps === []) {
            return null;
        }
        $copies = max(1, $copies ?? $repeats->copies ?? $figure->copies);

        return DB::transaction(static function () use ($figure, $repeats, $steps, $copies, $mode): Run {
            $run = new Run(['figure_id' => $figure->id, 'repeats_id' => $repeats?->id, 'copies' => $copies, 'batch_mode' => $mode]);
            $run->painter_id = $figure->painter_id;
            $run->number = NextNumber::of($figure->runs(), 'number');
            $run->save();
            $areas = $parts = [];
            foreach (self::forBatch($steps, $copies, $mode) as $n => $step) {
                $record = $run->steps()->create([...$step->attributes, 'position' => $n + 1]);
                $areas = [...$areas, ...array_map(static fn (int $id): array => ['run_step_id' => $record->id, 'area_id' => $id], $step->areaIds)];
                $parts = [...$parts, ...array_map(static fn (int $id): array => ['run_step_id' => $record->id, 'part_id' => $id], $step->partIds)];
            }
            foreach (['run_step_areas' => $areas, 'run_step_parts' => $parts] as $table => $links) {
                foreach (array_chunk($links, self::AT_ONCE) as $chunk) {
                    DB::table($table)->insert($chunk);
                }
            }

            return $run;
        });
    }

    /**
     * @param  list<PlannedStep>  $steps
     * @return list<PlannedStep>
     */
    private static function forBatch(array $steps, int $copies, BatchMode $mode): array
    {
        if ($mode === BatchMode::StepByStep || $copies === 1) {
            return array_map(static fn (PlannedStep $s): PlannedStep => $s->with(['minutes' => $copies * $s->minutes(), 'usual_minutes' => $s->usualMinutes() === null ? null : $copies * $s->usualMinutes()]), $steps);
        }
        $all = [];
        foreach (range(1, $copies) as $copy) {
            foreach ($steps as $step) {
                $all[] = $step->with(['copy' => $copy]);
            }
        }

        return $all;
    }

    /** @return list<PlannedStep> of one figure */
    private static function asDone(Run $run): array
    {
        $steps = $run->steps->filter(static fn (RunStep $s): bool => $s->copy === null || $s->copy === 1);
        $figures = $run->batch_mode === BatchMode::StepByStep ? $run->copies : 1;

        return array_values($steps->map(static fn (RunStep $step): PlannedStep => new PlannedStep([
            'kind' => $step->kind,
            'step_key' => $step->step_key,
            'layer_key' => $step->layer_key,
            'part_name' => $step->part_name,
            'area_name' => $step->area_name,
            'area_names' => $step->areaNames(),
            'technique' => $step->technique,
            'words' => $step->words,
            'tool' => $step->tool,
            'cautions' => $step->cautions,
            'minutes' => intdiv($step->used_minutes ?? $step->minutes, $figures),
            'usual_minutes' => $step->usual_minutes === null ? null : intdiv($step->usual_minutes, $figures),
            'most_minutes' => $step->most_minutes,
            'square_cm' => $step->square_cm,
            'is_inserted' => $step->is_inserted,
            'zones' => $step->zones,
            'thinner' => $step->thinner,
            'coats' => $step->used_coats ?? $step->coats,
            'planned_mix' => $step->used_mix ?? $step->planned_mix,
            'planned_colours' => $step->planned_colours,
            'drying_minutes' => $step->drying_minutes,
            'repeats_step_id' => $step->id,
        ], $step->areaIds(), $step->partIds()))->all());
    }
}

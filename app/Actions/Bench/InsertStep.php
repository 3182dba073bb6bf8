<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use Hyalin\Order\Steps\StepKind;
use Illuminate\Support\Facades\DB;

/**
 * A step that was not planned: a repair, or one that is done once more. What follows moves on by one place.
 */
final class InsertStep
{
    /** @param  RunStep|null  $again  the step that is repeated; null for a repair in words */
    public function __invoke(Run $run, int $after, string $words, int $minutes, ?RunStep $again = null): RunStep
    {
        return DB::transaction(static function () use ($run, $after, $words, $minutes, $again): RunStep {
            // From the end, so that no two steps ever stand on one place.
            foreach ($run->steps()->reorder('position', 'desc')->where('position', '>', $after)->get() as $later) {
                $later->position++;
                $later->save();
            }
            $step = $again?->replicate(['state', 'used_mix', 'used_coats', 'used_minutes', 'used_drops', 'taken_ml', 'note', 'done_at', 'skip_reason', 'version', 'repeats_step_id'])
                ?? new RunStep([
                    'kind' => StepKind::Brush,
                    'zones' => [],
                    'thinner' => 0.0,
                    'coats' => 1,
                    'planned_mix' => [],
                    'planned_colours' => [],
                    'area_name' => 'Repair',
                    'drying_minutes' => 15,
                    'tool' => 'brush',
                ]);
            $step->fill(['position' => $after + 1, 'step_key' => null, 'is_inserted' => true, 'words' => $words === '' ? $step->words : $words, 'minutes' => $minutes]);
            $run->steps()->save($step);
            $step->areas()->sync($again?->load('areas')->areaIds() ?? []);
            $step->parts()->sync($again?->load('parts')->partIds() ?? []);
            $run->update(['finished_at' => null]);

            return $step->refresh();
        });
    }
}

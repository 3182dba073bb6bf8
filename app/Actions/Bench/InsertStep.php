<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\RepairLayer;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use Hyalin\Plan\StepKind;
use Illuminate\Support\Facades\DB;

/**
 * A step that was not planned: a repair, or one that is done once more. What follows moves on by one place.
 */
final class InsertStep
{
    /**
     * @param  RunStep|null  $again  the step that is repeated; null for a repair
     * @param  RepairLayer|null  $layer  what the repair puts on; null for one in words alone
     */
    public function __invoke(Run $run, int $after, string $words, int $minutes, ?RunStep $again = null, ?RepairLayer $layer = null): RunStep
    {
        return DB::transaction(static function () use ($run, $after, $words, $minutes, $again, $layer): RunStep {
            // From the end, so that no two steps ever stand on one place.
            foreach ($run->steps()->reorder('position', 'desc')->where('position', '>', $after)->get() as $later) {
                $later->position++;
                $later->save();
            }
            $step = $again?->replicate(['state', 'used_mix', 'used_coats', 'used_minutes', 'used_drops', 'aided_minutes', 'note', 'done_at', 'skip_reason', 'version', 'repeats_step_id'])
                ?? new RunStep([
                    'kind' => StepKind::Brush,
                    'zones' => [],
                    'thinner' => 0.0,
                    'coats' => 1,
                    'planned_mix' => [],
                    'planned_colours' => [],
                    'area_name' => 'Repair',
                    'area_names' => ['Repair'],
                    'drying_minutes' => 15,
                    'tool' => 'brush',
                ]);
            if ($layer !== null) {
                $step->fill(self::painted($layer));
            }
            $step->fill(['position' => $after + 1, 'step_key' => null, 'is_inserted' => true, 'words' => $words === '' ? $step->words : $words, 'minutes' => $minutes]);
            $run->steps()->save($step);
            $step->areas()->sync($layer === null ? $again?->load('areas')->areaIds() ?? [] : [$layer->area->id]);
            $step->parts()->sync($layer === null ? $again?->load('parts')->partIds() ?? [] : array_filter([$layer->area->part_id]));
            $run->update(['finished_at' => null]);

            return $step->refresh();
        });
    }

    /** @return array<string, mixed> */
    private static function painted(RepairLayer $layer): array
    {
        $draft = $layer->draft;

        return [
            'kind' => $draft->technique->spec()->step,
            'technique' => $draft->technique,
            'area_name' => $layer->area->name,
            'area_names' => [$layer->area->name],
            'zones' => $draft->zones,
            'thinner' => $draft->thinner,
            'coats' => $draft->coats,
            'planned_mix' => array_map(static fn (array $e): array => ['paintId' => $e[0]->id, 'maker' => $e[0]->maker, 'name' => $e[0]->name, 'hex' => $e[0]->thick_hex, 'drops' => $e[1]], $draft->mix),
            'drying_minutes' => $draft->recipe()->dryingMinutes(),
            'square_cm' => $layer->area->square_cm,
            'tool' => $draft->technique->spec()->step->tool(),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Compare;

use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use Illuminate\Database\Eloquent\Builder;

/**
 * The run that a photo shows: that of its step, or the latest with a step done.
 */
final class PaintedRun
{
    /** @return Run|null null when nothing was recorded */
    public function of(Figure $figure, Picture $photo): ?Run
    {
        $at = $photo->run_step_id === null ? null : RunStep::query()->find($photo->run_step_id)?->run_id;
        $runs = $figure->runs()->reorder('number', 'desc')->with('steps.areas');
        $run = $at === null ? $runs->whereHas('steps', static fn (Builder $steps) => $steps->where('state', RunStepState::Done))->first() : $runs->find($at);

        return $run instanceof Run ? $run : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Finish\ProposeFinishes;
use App\Http\Props\Finish\FigureProposalProps;
use App\Models\Task;
use Hyalin\Progress;
use Illuminate\Validation\ValidationException;

/**
 * Finishes for all areas of a figure that share pots. Its input: brushOnly, mostPots (null for any number), only (ids of the pots to use;
 * null for any).
 */
final class ProposeFigure extends TaskJob
{
    protected function run(Task $task, Progress $progress): TaskEnd
    {
        $input = $task->input ?? [];
        $most = $input['mostPots'] ?? null;
        $only = $input['only'] ?? null;
        $answer = app(ProposeFinishes::class)->forFigure(
            $task->figure ?? throw ValidationException::withMessages(['figure' => 'The figure was deleted meanwhile.']),
            $task->painter()->firstOrFail(),
            ($input['brushOnly'] ?? false) === true,
            is_int($most) ? $most : null,
            is_array($only) ? array_values(array_filter($only, is_int(...))) : null,
            $progress,
        );

        return TaskEnd::found(FigureProposalProps::of($answer), ! $task->refresh()->stop_asked);
    }
}

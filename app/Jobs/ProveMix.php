<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\Finish\MixQuestion;
use App\Http\Props\Finish\MixAnswerProps;
use App\Models\Brief\Area;
use App\Models\Task;
use Hyalin\Mixing\ExhaustiveMixSearch;
use Hyalin\Mixing\Found\SearchEnding;
use Hyalin\Progress;
use Illuminate\Validation\ValidationException;

/**
 * Searches every mix of the shelf, so that the best one is proven. Its input is the request of the mix finder, and the area.
 */
final class ProveMix extends TaskJob
{
    protected function run(Task $task, Progress $progress): TaskEnd
    {
        $area = Area::query()->with(['figure', 'samples'])->where('id', $task->input['areaId'] ?? null)->first()
            ?? throw ValidationException::withMessages(['area' => 'The area was deleted meanwhile.']);
        // The request was judged when it came in; here it is only read again.
        $wanted = MixQuestion::of($task->input ?? [])->request($area->figure()->firstOrFail(), $area, $task->painter()->firstOrFail());
        $answer = ExhaustiveMixSearch::find($wanted->optics, $wanted->task, $progress);
        $found = MixAnswerProps::of($wanted, $answer, ExhaustiveMixSearch::size(count($wanted->pots), $wanted->task));

        return TaskEnd::found($found, $answer->ending === SearchEnding::Proven);
    }
}

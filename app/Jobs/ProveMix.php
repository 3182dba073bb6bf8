<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\Finish\MixQuestion;
use App\Adapters\StoredProgress;
use App\Http\Props\Finish\MixAnswerProps;
use App\Models\Finish\MixSearchRecord;
use Hyalin\Mixing\ExhaustiveMixSearch;
use Hyalin\Mixing\Found\SearchEnding;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/**
 * Searches every mix of the shelf, so that the best one is proven.
 */
final class ProveMix implements ShouldQueue
{
    use Queueable;
    use Resumed;

    public int $timeout = 1800;

    public function __construct(private readonly MixSearchRecord $search)
    {
    }

    public function handle(): void
    {
        $search = $this->search->load(['painter', 'area.figure', 'area.samples']);
        if (! in_array($search->state, ['waiting', 'running'], true)) {
            return;
        }
        $search->update(['state' => 'running']);
        // The request was judged when it came in; here it is only read again.
        $wanted = MixQuestion::of($search->request)->request($search->area->figure()->firstOrFail(), $search->area, $search->painter()->firstOrFail());
        $answer = ExhaustiveMixSearch::find($wanted->optics, $wanted->task, new StoredProgress($search));
        $search->update([
            'state' => $answer->ending === SearchEnding::Proven ? 'done' : 'stopped',
            'progress' => $answer->ending === SearchEnding::Proven ? 1.0 : $search->progress,
            'result' => MixAnswerProps::of($wanted, $answer, ExhaustiveMixSearch::size(count($wanted->pots), $wanted->task)),
        ]);
    }

    public function failed(?Throwable $e): void
    {
        if (in_array($this->search->refresh()->state, ['waiting', 'running'], true)) {
            $this->search->update(['state' => 'failed']);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Finish\ProposeFinishes;
use App\Adapters\StoredProgress;
use App\Http\Props\Finish\FigureProposalProps;
use App\Models\Finish\ProposalSearchRecord;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/**
 * Finishes for all areas of a figure that share pots.
 */
final class ProposeFigure implements ShouldQueue
{
    use Queueable;
    use Resumed;

    public int $timeout = 1800;

    public function __construct(private readonly ProposalSearchRecord $search)
    {
    }

    public function handle(ProposeFinishes $propose): void
    {
        $search = $this->search->load(['painter', 'figure']);
        if (! in_array($search->state, ['waiting', 'running'], true)) {
            return;
        }
        $search->update(['state' => 'running']);
        $most = $search->request['mostPots'] ?? null;
        $answer = $propose->forFigure(
            $search->figure,
            $search->painter()->firstOrFail(),
            ($search->request['brushOnly'] ?? false) === true,
            is_int($most) ? $most : null,
            self::ids($search->request['only'] ?? null),
            new StoredProgress($search),
        );
        $search->refresh();
        $search->update(['state' => $search->stop_asked ? 'stopped' : 'done', 'progress' => $search->stop_asked ? $search->progress : 1.0, 'result' => FigureProposalProps::of($answer)]);
    }

    /** @return list<int>|null */
    private static function ids(mixed $only): ?array
    {
        return is_array($only) ? array_values(array_filter($only, is_int(...))) : null;
    }

    public function failed(?Throwable $e): void
    {
        if (in_array($this->search->refresh()->state, ['waiting', 'running'], true)) {
            $this->search->update(['state' => 'failed']);
        }
    }
}

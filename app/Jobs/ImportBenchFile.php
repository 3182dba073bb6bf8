<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Bench\ImportBench;
use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\UnreadableBench;
use App\Adapters\Incoming;
use App\Models\Task;
use App\Models\TaskState;
use Hyalin\Progress;
use Throwable;

/**
 * A bench file, taken in wholly or not at all. Its input: name, path, and both: figures of a name that is there come in as copies.
 */
final class ImportBenchFile extends TaskJob
{
    public int $timeout = 900;

    protected function run(Task $task, Progress $progress): TaskEnd
    {
        $painter = $task->painter()->firstOrFail();
        $copy = Incoming::copy($task);
        try {
            $reader = BenchReader::open($copy);
            $clashes = ($task->input['both'] ?? false) === true ? [] : ImportBench::clashes($painter, $reader);
            if ($clashes !== []) {
                return TaskEnd::asking('You have '.implode(', ', $clashes).' already. Nothing was added yet: import it as a copy, under another name, or cancel.');
            }
            // Said to be done with the last row: a worker that is killed after it has imported it.
            app(ImportBench::class)($painter, $reader, $progress, static fn (array $counts) => $task->update(['state' => TaskState::Done, 'progress' => 1.0, 'result' => ['message' => self::words($counts)]]));
        } finally {
            unlink($copy);
        }

        return TaskEnd::done($task->result);
    }

    protected function refused(Task $task, Throwable $e): ?string
    {
        return $e instanceof UnreadableBench ? $e->getMessage().' Nothing was added.' : null;
    }

    protected function advice(): string
    {
        return 'Try again, or export figures one by one.';
    }

    protected function ended(Task $task): void
    {
        if ($task->state !== TaskState::Asks) {
            Incoming::drop($task);
        }
    }

    /** @param  array<string, int>  $counts */
    private static function words(array $counts): string
    {
        $words = [];
        foreach (['figures' => 'figure', 'paints' => 'pot', 'layers' => 'layer', 'runs' => 'run', 'pictures' => 'picture'] as $table => $word) {
            $count = $counts[$table] ?? 0;
            $words[] = "{$count} {$word}".($count === 1 ? '' : 's');
        }

        return 'Imported: '.implode(', ', $words).'.';
    }
}

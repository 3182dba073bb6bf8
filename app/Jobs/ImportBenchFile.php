<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Bench\ImportBench;
use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\UnreadableBench;
use App\Adapters\Incoming;
use App\Adapters\StoredFile;
use App\Adapters\StoredProgress;
use App\Models\IncomingFile;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/**
 * A bench file, taken in wholly or not at all.
 */
final class ImportBenchFile implements ShouldQueue
{
    use Queueable;
    use Resumed;

    /** Cancelled before it was begun. */
    public bool $deleteWhenMissingModels = true;

    public int $timeout = 900;

    public function __construct(private readonly IncomingFile $file)
    {
    }

    public function handle(ImportBench $import): void
    {
        $file = $this->file->refresh();
        if (! in_array($file->state, ['waiting', 'running'], true)) {
            return;
        }
        ini_set('memory_limit', '1536M');
        $file->update(['state' => 'running', 'progress' => 0.0, 'problem' => null]);
        $painter = $file->painter()->firstOrFail();
        $copy = Incoming::copy($file);
        try {
            $reader = BenchReader::open($copy);
            $clashes = $file->both ? [] : ImportBench::clashes($painter, $reader);
            if ($clashes !== []) {
                $file->update(['state' => 'asks', 'problem' => 'You have '.implode(', ', $clashes).' already. Nothing was added yet: import it as a copy, under another name, or cancel.']);

                return;
            }
            $import($painter, $reader, new StoredProgress($file), static fn (array $counts) => $file->update(['state' => 'done', 'progress' => 1.0, 'result' => ['message' => self::words($counts)]]));
        } catch (UnreadableBench $e) {
            $file->update(['state' => 'failed', 'problem' => $e->getMessage().' Nothing was added.']);
        } finally {
            unlink($copy);
        }
        StoredFile::forget($file->path);
    }

    public function failed(?Throwable $e): void
    {
        if (in_array($this->file->refresh()->state, ['waiting', 'running'], true)) {
            $this->file->update(['state' => 'failed', 'problem' => 'The bench file could not be read: '.FailureReason::of($e).'. Nothing was added. Try again, or export figures one by one.']);
            StoredFile::forget($this->file->path);
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

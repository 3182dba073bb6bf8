<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Shelf\ImportShelf;
use App\Models\Shelf\ShelfImport;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

final class ImportShelfFile implements ShouldQueue
{
    use Queueable;
    use Resumed;

    public int $timeout = 300;

    public function __construct(private readonly ShelfImport $import)
    {
    }

    public function handle(ImportShelf $bringIn): void
    {
        if ($this->import->refresh()->state !== 'done') {
            $bringIn($this->import);
        }
    }

    public function failed(?Throwable $e): void
    {
        // Killed after the last word was written: it is there, and not failed.
        if ($this->import->refresh()->state === 'done') {
            return;
        }
        $this->import->update(['state' => 'failed', 'problem' => 'The file could not be imported: '.FailureReason::of($e).'. Nothing was added to the shelf.']);
    }
}

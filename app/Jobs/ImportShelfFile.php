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

    public int $timeout = 300;

    public function __construct(private readonly ShelfImport $import)
    {
    }

    public function handle(ImportShelf $bringIn): void
    {
        $bringIn($this->import);
    }

    public function failed(?Throwable $e): void
    {
        $this->import->update(['state' => 'failed', 'problem' => 'The import failed. Nothing was added to the shelf.']);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\TaskProps;
use App\Models\Shelf\ShelfImport;

final readonly class ShelfImportProps
{
    /**
     * @param  int  $pots  that it brought
     * @param  TaskProps|null  $task  null for one of long ago
     */
    public function __construct(public int $id, public int $pots, public bool $isUndone, public ?TaskProps $task)
    {
    }

    public static function of(ShelfImport $import): self
    {
        $task = $import->task()->first();

        return new self($import->id, $import->paints()->withTrashed()->count(), $import->undone_at !== null, $task === null ? null : TaskProps::of($task));
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Shelf\ImportShelf;
use App\Models\Painter;
use App\Models\Shelf\ShelfImport;
use App\Models\Task;
use App\Models\TaskKind;
use Hyalin\Progress;

/**
 * A file of pots, all of it or nothing.
 */
final class ImportShelfFile extends TaskJob
{
    public int $timeout = 300;

    public static function ask(Painter $painter, string $fileName, string $text): ShelfImport
    {
        $task = Task::ask(TaskKind::Shelf, $painter->id);
        $import = new ShelfImport(['file_name' => $fileName, 'text' => $text, 'task_id' => $task->id]);
        $import->painter_id = $painter->id;
        $import->save();
        self::dispatch($task)->onQueue(Turn::of($task));

        return $import->refresh();
    }

    protected function run(Task $task, Progress $progress): TaskEnd
    {
        app(ImportShelf::class)(ShelfImport::query()->where('task_id', $task->id)->firstOrFail(), $progress);

        return TaskEnd::done();
    }
}

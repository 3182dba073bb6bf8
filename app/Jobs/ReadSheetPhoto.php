<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Shelf\ReadSheet;
use App\Adapters\References\UnreadablePicture;
use App\Models\Shelf\SheetPhoto;
use App\Models\Shelf\SwatchSheet;
use App\Models\Task;
use App\Models\TaskKind;
use Hyalin\InvalidInput;
use Hyalin\Progress;
use Throwable;

/**
 * A photo of a swatch sheet.
 */
final class ReadSheetPhoto extends TaskJob
{
    public int $timeout = 300;

    /** @param  string|null  $path  of the photo as it came; null for one that the camera before the sheet has yet to take */
    public static function ask(SwatchSheet $sheet, ?string $path = null): SheetPhoto
    {
        $task = Task::ask(TaskKind::Sheet, $sheet->painter_id);
        $photo = $sheet->photos()->create(['path' => $path, 'task_id' => $task->id]);
        self::dispatch($task)->onQueue(Turn::of($task));

        return $photo->refresh();
    }

    protected function run(Task $task, Progress $progress): TaskEnd
    {
        app(ReadSheet::class)(SheetPhoto::query()->where('task_id', $task->id)->firstOrFail(), $progress);

        return TaskEnd::done();
    }

    protected function refused(Task $task, Throwable $e): ?string
    {
        return $e instanceof InvalidInput || $e instanceof UnreadablePicture ? ucfirst(rtrim($e->getMessage(), '.')).'.' : null;
    }

    protected function advice(): string
    {
        return 'Try again, or another photo.';
    }
}

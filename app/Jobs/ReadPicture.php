<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\Incoming;
use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use App\Models\Task;
use Hyalin\Progress;
use Throwable;

/**
 * A picture from outside, decoded: what then shows or measures it takes what is kept of it.
 */
final class ReadPicture extends TaskJob
{
    public int $timeout = 120;

    protected function run(Task $task, Progress $progress): TaskEnd
    {
        $copy = Incoming::copy($task);
        try {
            return TaskEnd::done(Incoming::putPicture($task, PictureIntake::of((string) file_get_contents($copy))));
        } finally {
            unlink($copy);
        }
    }

    protected function refused(Task $task, Throwable $e): ?string
    {
        return $e instanceof UnreadablePicture ? $e->getMessage() : null;
    }

    protected function advice(): string
    {
        return 'Try again, or a smaller picture.';
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\LostTask;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;

/**
 * Whose turn it is: what takes moments never waits for what takes minutes, and a painter's second long job not before another's
 * first. Workers take from these queues in this order.
 */
final class Turn
{
    public const SHORT = 'short';

    public const LONG = 'long';

    public const LATER = 'later';

    /** @return string the queue of a task */
    public static function of(Task $task): string
    {
        if (! $task->kind->takesMinutes()) {
            return self::SHORT;
        }
        $long = array_values(array_filter(TaskKind::cases(), static fn (TaskKind $kind): bool => $kind->takesMinutes()));
        $others = Task::query()->where('painter_id', $task->painter_id)->whereIn('kind', $long)->whereIn('state', TaskState::OPEN)->whereKeyNot($task->id);
        $others->get()->each(LostTask::tell(...));

        return $others->exists() ? self::LATER : self::LONG;
    }
}

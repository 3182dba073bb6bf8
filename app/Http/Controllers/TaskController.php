<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Adapters\Incoming;
use App\Adapters\LostTask;
use App\Http\Props\TaskProps;
use App\Models\Task;
use App\Models\TaskState;
use Illuminate\Http\JsonResponse;

/**
 * Work in the queue, asked about and stopped.
 */
final class TaskController
{
    public function show(Task $task): JsonResponse
    {
        LostTask::tell($task);

        return new JsonResponse(TaskProps::of($task));
    }

    public function stop(Task $task): JsonResponse
    {
        $task->stop();
        if ($task->state === TaskState::Stopped) {
            Incoming::drop($task);
        }

        return new JsonResponse(TaskProps::of($task));
    }
}

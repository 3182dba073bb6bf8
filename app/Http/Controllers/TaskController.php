<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Adapters\LostJob;
use App\Http\Props\TaskProps;
use App\Models\Task;
use Illuminate\Http\JsonResponse;

/**
 * What is being calculated for a figure.
 */
final class TaskController
{
    public function show(Task $task): JsonResponse
    {
        LostJob::tell($task);

        return new JsonResponse(TaskProps::of($task));
    }

    public function stop(Task $task): JsonResponse
    {
        $task->update(['stop_asked' => true]);

        return new JsonResponse(TaskProps::of($task));
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\StudyLight;
use App\Adapters\Light\SculptSurface;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Hyalin\InvalidInput;
use Hyalin\Progress;
use Throwable;

/**
 * The light on a figure, in the queue.
 */
final class ComputeLight extends TaskJob
{
    /** Asked for again, the one before is of no use any more. */
    public static function ask(LightRecord $light): Task
    {
        Task::query()->whereKey($light->task_id)->whereIn('state', TaskState::OPEN)->update(['state' => TaskState::Stopped, 'stop_asked' => true]);
        $task = Task::ask(TaskKind::Light, $light->painter_id, $light->figure_id);
        $light->update(['task_id' => $task->id]);
        self::dispatch($task)->onQueue(Turn::of($task));

        return $task;
    }

    protected function run(Task $task, Progress $progress): TaskEnd
    {
        $figure = Figure::query()->findOrFail($task->figure_id);
        app(StudyLight::class)($figure, LightRecord::ofFigure($figure), $progress);

        return TaskEnd::done();
    }

    /** While the painter looks at it: the first act on the areas of a large print need not wait for what all of them need. */
    protected function ended(Task $task): void
    {
        $light = $task->state === TaskState::Done ? $task->figure?->lightStudy()->first() : null;
        $stored = $light === null ? null : StoredStudy::of($light);
        if ($light !== null && $stored?->isCoarse() === true) {
            (new SculptSurface($stored))->prepare([$light->sideAxis(), $light->frontAxis()]);
        }
    }

    protected function refused(Task $task, Throwable $e): ?string
    {
        return $e instanceof InvalidInput ? ucfirst($e->getMessage()).'.' : null;
    }

    protected function advice(): string
    {
        return 'Try again, or make the mesh coarser.';
    }
}

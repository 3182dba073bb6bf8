<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\StoredProgress;
use App\Models\Task;
use App\Models\TaskState;
use Hyalin\InvalidInput;
use Hyalin\Progress;
use Hyalin\Stopped;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Arr;
use Illuminate\Validation\ValidationException;
use Throwable;

/**
 * Work in the queue. Its task says how far it is, and is where it is asked to stop. A job whose worker was killed is begun once more by
 * another; what fails by itself is not.
 */
abstract class TaskJob implements ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    public int $maxExceptions = 1;

    /** The task was deleted meanwhile, with its figure or its painter. */
    public bool $deleteWhenMissingModels = true;

    public int $timeout = 1800;

    /** @param  Task|null  $task  null before it is asked for */
    public function __construct(protected ?Task $task = null)
    {
    }

    /**
     * @throws Stopped when it was asked to stop: nothing is changed then
     * @throws Throwable when it cannot be done: refused() tells which of them are the painter's to know
     */
    abstract protected function run(Task $task, Progress $progress): TaskEnd;

    final public function handle(): void
    {
        $task = $this->task?->refresh();
        if ($task === null || ! $task->isOpen()) {
            return;
        }
        ini_set('memory_limit', '1536M');
        $task->update(['state' => TaskState::Running, 'progress' => 0.0]);
        try {
            $end = $this->run($task, new StoredProgress($task));
            // Another took its place in the last moment: that one says how it ended.
            if ($task->refresh()->isOpen()) {
                $task->update(['state' => $end->state, 'result' => $end->result, 'problem' => $end->problem, 'progress' => $end->state === TaskState::Done ? 1.0 : $task->progress]);
            }
        } catch (Stopped) {
            $task->update(['state' => TaskState::Stopped]);
        } catch (Throwable $e) {
            $task->fail($this->refused($task, $e) ?? throw $e);
        }
        $this->ended($task);
    }

    final public function failed(?Throwable $e): void
    {
        $task = $this->task?->refresh();
        if ($task?->isOpen() === true) {
            $task->fail("{$task->kind->failed()}: ".FailureReason::of($e).'. '.$this->advice());
            $this->ended($task);
        }
    }

    /** @return string|null why it cannot be done, in words for the painter; null where the fault is Hyalin's */
    protected function refused(Task $task, Throwable $e): ?string
    {
        return match (true) {
            $e instanceof ValidationException => implode(' ', array_filter(Arr::flatten($e->errors()), is_string(...))),
            $e instanceof InvalidInput => "{$task->kind->failed()}: {$e->getMessage()}.",
            default => null,
        };
    }

    /** @return string what to do after it failed */
    protected function advice(): string
    {
        return 'Try again.';
    }

    /** Runs at the end, however the job ended. */
    protected function ended(Task $task): void
    {
    }
}

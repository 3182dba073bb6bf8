<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\LostJob;
use App\Adapters\StoredProgress;
use App\Models\Brief\Figure;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Hyalin\InvalidInput;
use Hyalin\Progress;
use Hyalin\Stopped;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Arr;
use Illuminate\Validation\ValidationException;
use Throwable;

/**
 * Work on a figure: done at once where that takes a moment, in the queue where it takes longer. Stopped or refused, it has changed
 * nothing; killed, it is begun once more.
 */
abstract class TaskJob implements ShouldQueue
{
    use Queueable;
    use Resumed;

    /** Its figure was deleted meanwhile. */
    public bool $deleteWhenMissingModels = true;

    public int $timeout = 1800;

    protected ?Task $task = null;

    abstract protected function kind(): TaskKind;

    /** Whether a page may not wait for it. */
    abstract protected function isLong(): bool;

    /** @return array<string, mixed>|null settings that are set once it is done */
    protected function input(): ?array
    {
        return null;
    }

    /**
     * @param  Progress|null  $progress  null where a page waits
     *
     * @throws Stopped
     * @throws InvalidInput|ValidationException when it cannot be done
     */
    abstract protected function work(?Progress $progress): void;

    /** @throws ValidationException when it cannot be done, or something else is being done */
    public function begin(Figure $figure): void
    {
        $open = Task::ofFigure($figure);
        if ($open !== null) {
            LostJob::tell($open);
        }
        if ($open?->isOpen() === true && $open->kind->yieldsTo($this->kind())) {
            $open->update(['state' => TaskState::Stopped, 'stop_asked' => true]);
        }
        if (! $this->isLong()) {
            $this->work(null);

            return;
        }
        if ($open?->isOpen() === true && $this->kind() === TaskKind::Measures) {
            // It measures, or is followed by it.
            return;
        }
        // Pages have shown the end of older tasks. The last sculpting is kept: the stage tells of it.
        Task::query()->where('figure_id', $figure->id)->where('kind', '!=', TaskKind::Sculpt)->whereNotIn('state', [TaskState::Waiting, TaskState::Running])->where('updated_at', '<', now()->subDay())->delete();
        $task = new Task(['figure_id' => $figure->id, 'kind' => $this->kind(), 'input' => $this->input()]);
        $task->painter_id = $figure->painter_id;
        try {
            $task->save();
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['task' => 'Something else is being calculated for this figure. Wait until it is done, or stop it.']);
        }
        $this->task = $task;
        // Seconds, mostly: it does not wait for another figure's lighting.
        dispatch($this->onQueue(Turn::SHORT));
        // A queue that works at once, as in tests, has an answer already.
        if ($task->refresh()->state === TaskState::Failed) {
            throw ValidationException::withMessages(['task' => (string) $task->problem]);
        }
    }

    public function handle(): void
    {
        $task = $this->task?->refresh();
        if ($task === null || ! $task->isOpen()) {
            return;
        }
        ini_set('memory_limit', '1536M');
        $task->update(['state' => TaskState::Running, 'progress' => 0.0]);
        try {
            $this->work(new StoredProgress($task));
            // Another took its place in the last moment: that one says how it ended.
            if ($task->refresh()->isOpen()) {
                $task->update(['state' => TaskState::Done, 'progress' => 1.0]);
            }
        } catch (Stopped) {
            $task->update(['state' => TaskState::Stopped]);
        } catch (ValidationException $e) {
            $task->update(['state' => TaskState::Failed, 'problem' => Arr::first(Arr::flatten($e->errors()))]);
        } catch (InvalidInput $e) {
            $task->update(['state' => TaskState::Failed, 'problem' => "{$this->kind()->failed()}: {$e->getMessage()}."]);
        }
    }

    public function failed(?Throwable $e): void
    {
        if ($this->task?->refresh()->isOpen() === true) {
            $this->task->update(['state' => TaskState::Failed, 'problem' => "{$this->kind()->failed()}: ".FailureReason::of($e).'. Try again, or make the mesh coarser.']);
        }
    }
}

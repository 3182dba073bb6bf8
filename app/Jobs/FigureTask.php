<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\LostTask;
use App\Models\Brief\Figure;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Hyalin\InvalidInput;
use Hyalin\Progress;
use Hyalin\Stopped;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Validation\ValidationException;

/**
 * Work that changes a figure: done at once where that takes a moment, in the queue where it takes longer, one at a time. Stopped or
 * refused, it has changed nothing.
 */
abstract class FigureTask extends TaskJob
{
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

    protected function run(Task $task, Progress $progress): TaskEnd
    {
        $this->work($progress);

        return TaskEnd::done();
    }

    protected function advice(): string
    {
        return 'Try again, or make the mesh coarser.';
    }

    /** @throws ValidationException when it cannot be done, or something else is being done */
    final public function begin(Figure $figure): void
    {
        $open = Task::ofFigure($figure);
        LostTask::tell($open);
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
        Task::query()->where('figure_id', $figure->id)->whereIn('kind', TaskKind::thatChangeFigure())->where('kind', '!=', TaskKind::Sculpt)
            ->whereNotIn('state', TaskState::OPEN)->where('updated_at', '<', now()->subDay())->delete();
        try {
            $this->task = $task = Task::ask($this->kind(), $figure->painter_id, $figure->id, $this->input());
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['task' => 'Something else is being calculated for this figure. Wait until it is done, or stop it.']);
        }
        // Seconds, mostly: it does not wait for another figure's lighting.
        dispatch($this->onQueue(Turn::SHORT));
        // A queue that works at once, as in tests, has an answer already.
        if ($task->refresh()->state === TaskState::Failed) {
            throw ValidationException::withMessages(['task' => (string) $task->problem]);
        }
    }
}

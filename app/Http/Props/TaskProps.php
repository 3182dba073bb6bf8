<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Task;

/**
 * What is being calculated for a figure, and how far it is.
 */
final readonly class TaskProps
{
    /**
     * @param  string  $kind  proposal, zones, spray, gradient, glow, measures or sculpt
     * @param  string  $state  waiting, running, done, stopped or failed
     * @param  float  $progress  0..1
     * @param  string|null  $problem  why it failed
     */
    public function __construct(
        public int $id,
        public string $kind,
        public string $state,
        public float $progress,
        public bool $isStopping,
        public ?string $problem,
    ) {
    }

    public static function of(Task $task): self
    {
        return new self($task->id, $task->kind->value, $task->state->value, $task->progress, $task->stop_asked, $task->problem);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;

/**
 * Work in the queue, and how far it is.
 */
final readonly class TaskProps
{
    /**
     * @param  float  $progress  0..1
     * @param  string|null  $problem  why it failed
     * @param  array<string, mixed>|null  $result  of a search that is done or stopped: MixAnswerProps of a proof, FigureProposalProps of finishes
     */
    public function __construct(
        public int $id,
        public TaskKind $kind,
        public TaskState $state,
        public float $progress,
        public bool $isStopping,
        public ?string $problem,
        public ?array $result,
    ) {
    }

    public static function of(Task $task): self
    {
        return new self($task->id, $task->kind, $task->state, $task->progress, $task->stop_asked, $task->problem, $task->result);
    }
}

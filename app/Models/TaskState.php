<?php

declare(strict_types=1);

namespace App\Models;

enum TaskState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    /** Stopped by the painter, or by a task that took its place. It changed nothing. */
    case Stopped = 'stopped';
    case Failed = 'failed';
}

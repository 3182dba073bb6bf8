<?php

declare(strict_types=1);

namespace App\Models;

enum TaskState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    /** By the painter, or by another that took its place: nothing was changed. */
    case Stopped = 'stopped';
    case Failed = 'failed';
}

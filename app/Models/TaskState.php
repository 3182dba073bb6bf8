<?php

declare(strict_types=1);

namespace App\Models;

enum TaskState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    /** It has ended with a question to the painter, in its problem, and begins once more with the answer. */
    case Asks = 'asks';
    case Done = 'done';
    /** Stopped by the painter, or by a task that took its place. A search keeps what it had found; all other work has changed nothing. */
    case Stopped = 'stopped';
    case Failed = 'failed';

    public const OPEN = [self::Waiting, self::Running];
}

<?php

declare(strict_types=1);

namespace App\Models\Bench;

enum RunStepState: string
{
    case Open = 'open';
    case Done = 'done';
    case Skipped = 'skipped';
}

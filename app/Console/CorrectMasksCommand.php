<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Bench\CorrectMasks;
use Illuminate\Console\Command;

/**
 * Part of every upgrade: runs in progress get the minutes of their masks that are computed now.
 */
final class CorrectMasksCommand extends Command
{
    protected $signature = 'hyalin:correct-masks';

    protected $description = 'Corrects the minutes of open masking steps that an earlier version stored wrong';

    public function handle(CorrectMasks $correct): int
    {
        $count = $correct();
        if ($count > 0) {
            $this->line($count === 1 ? 'Corrected the minutes of 1 masking step.' : "Corrected the minutes of {$count} masking steps.");
        }

        return self::SUCCESS;
    }
}

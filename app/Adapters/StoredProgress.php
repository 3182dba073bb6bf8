<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Models\Task;
use Hyalin\Progress;

/**
 * Writes the progress of a task where the page can see it, and learns there whether to stop.
 */
final class StoredProgress implements Progress
{
    private float $written = 0.0;

    public function __construct(private readonly Task $task)
    {
    }

    public function at(float $fraction): bool
    {
        Lease::renew();
        // A write a hundredth of the way: each is a small transaction of its own.
        if ($fraction - $this->written < 0.01) {
            return true;
        }
        $this->written = $fraction;
        $this->task->refresh();
        $this->task->update(['progress' => $fraction]);

        return ! $this->task->stop_asked;
    }
}

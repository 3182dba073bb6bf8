<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Models\Finish\MixSearchRecord;
use App\Models\Finish\ProposalSearchRecord;
use App\Models\IncomingFile;
use App\Models\Light\LightRecord;
use App\Models\Shelf\SheetPhoto;
use App\Models\Task;
use Hyalin\Progress;

/**
 * Writes the progress of a search where the page can see it, and learns there whether to stop.
 */
final class StoredProgress implements Progress
{
    private float $written = 0.0;

    public function __construct(private readonly IncomingFile|LightRecord|MixSearchRecord|ProposalSearchRecord|SheetPhoto|Task $search)
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
        $this->search->refresh();
        $this->search->update(['progress' => $fraction]);

        return ! $this->search->stop_asked;
    }
}

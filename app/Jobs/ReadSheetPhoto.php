<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Shelf\ReadSheet;
use App\Adapters\References\UnreadablePicture;
use App\Adapters\StoredProgress;
use App\Models\Shelf\SheetPhoto;
use Hyalin\InvalidInput;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

final class ReadSheetPhoto implements ShouldQueue
{
    use Queueable;
    use Resumed;

    public int $timeout = 300;

    public function __construct(private readonly SheetPhoto $photo)
    {
    }

    public function handle(ReadSheet $read): void
    {
        if (! in_array($this->photo->refresh()->state, ['waiting', 'running'], true)) {
            return;
        }
        $this->photo->update(['state' => 'running', 'progress' => 0.0]);
        try {
            $read($this->photo, new StoredProgress($this->photo));
            $this->photo->update(['state' => 'done', 'progress' => 1.0]);
        } catch (InvalidInput|UnreadablePicture $e) {
            $this->photo->update(['state' => 'failed', 'problem' => ucfirst(rtrim($e->getMessage(), '.')).'.']);
        }
    }

    public function failed(?Throwable $e): void
    {
        if (in_array($this->photo->refresh()->state, ['waiting', 'running'], true)) {
            $this->photo->update(['state' => 'failed', 'problem' => 'The photo could not be read: '.FailureReason::of($e).'. Nothing was changed. Try again, or another photo.']);
        }
    }
}

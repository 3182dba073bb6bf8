<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\Incoming;
use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use App\Models\IncomingFile;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/**
 * A picture from outside, decoded: what then shows or measures it takes what is kept of it.
 */
final class ReadPicture implements ShouldQueue
{
    use Queueable;
    use Resumed;

    /** Cancelled before it was begun. */
    public bool $deleteWhenMissingModels = true;

    public int $timeout = 120;

    public function __construct(private readonly IncomingFile $file)
    {
    }

    public function handle(): void
    {
        if (! in_array($this->file->refresh()->state, ['waiting', 'running'], true)) {
            return;
        }
        $this->file->update(['state' => 'running']);
        $copy = Incoming::copy($this->file);
        try {
            Incoming::putPicture($this->file, PictureIntake::of((string) file_get_contents($copy)));
        } catch (UnreadablePicture $e) {
            $this->file->update(['state' => 'failed', 'problem' => $e->getMessage()]);
        } finally {
            unlink($copy);
        }
    }

    public function failed(?Throwable $e): void
    {
        if (in_array($this->file->refresh()->state, ['waiting', 'running'], true)) {
            $this->file->update(['state' => 'failed', 'problem' => 'The picture could not be read: '.FailureReason::of($e).'. Nothing was added. Try again, or a smaller picture.']);
        }
    }
}

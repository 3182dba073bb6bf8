<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\IncomingFile;

/**
 * A file that is read in the queue.
 */
final readonly class IncomingProps
{
    /**
     * @param  string  $state  waiting, running, asks, done, failed
     * @param  string|null  $message  what came of it
     */
    public function __construct(public int $id, public string $state, public float $progress, public ?string $problem, public ?string $message)
    {
    }

    public static function of(IncomingFile $file): self
    {
        $message = $file->result['message'] ?? null;

        return new self($file->id, $file->state, $file->progress, $file->problem, is_string($message) ? $message : null);
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use Error;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Queue\TimeoutExceededException;
use Throwable;

/**
 * Why a job failed, in words for the painter who waits for it.
 */
final class FailureReason
{
    public static function of(?Throwable $e): string
    {
        return match (true) {
            $e instanceof TimeoutExceededException => 'it took too long',
            $e === null, $e instanceof MaxAttemptsExceededException => 'the server ended while it worked: it ran out of memory, or was switched off',
            $e instanceof Error && str_contains($e->getMessage(), 'memory') => 'it took more memory than the server has',
            self::isOfDisk($e) => 'a file could not be written or read on the server: its disk may be full',
            default => 'Hyalin met a fault of its own ('.class_basename($e).'), which is in the log of the server',
        };
    }

    private static function isOfDisk(Throwable $e): bool
    {
        return preg_match('/No space left|disk is full|out of free disk space|read-only|readonly database|Unable to (read|write)/i', $e->getMessage()) === 1;
    }
}

<?php

declare(strict_types=1);

namespace App\Actions;

use Illuminate\Http\JsonResponse;
use RuntimeException;

/**
 * A save that was based on an older version than the stored one. The stored record is untouched, and what was to be
 * saved has been set aside.
 */
final class ChangedElsewhere extends RuntimeException
{
    /**
     * @param  mixed  $theirs  the stored record, as the page shows it
     * @param  int  $version  of the stored record
     */
    public function __construct(public readonly mixed $theirs, public readonly int $version, string $words = 'This was changed elsewhere after you opened it. Both versions are kept: choose one.')
    {
        parent::__construct($words);
    }

    public function render(): JsonResponse
    {
        return new JsonResponse(
            ['message' => $this->getMessage(), 'theirs' => $this->theirs, 'version' => $this->version],
            JsonResponse::HTTP_CONFLICT,
        );
    }

    /** A conflict is an answer, not a fault of the application. */
    public function report(): bool
    {
        return true;
    }
}

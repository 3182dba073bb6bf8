<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

/**
 * A fault of a file, and its place.
 */
final readonly class FaultProps
{
    public function __construct(public int $line, public int $column, public string $message)
    {
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

/**
 * What is wrong with a file, and where.
 */
final readonly class FaultProps
{
    public function __construct(public int $line, public int $column, public string $message)
    {
    }
}

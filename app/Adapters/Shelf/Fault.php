<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

final readonly class Fault
{
    /** @param  int  $line  from 1; 0 when it concerns the whole file */
    public function __construct(public int $line, public int $column, public string $message)
    {
    }
}

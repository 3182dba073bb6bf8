<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

final readonly class BenchExceptionProps
{
    /**
     * @param  string  $date  YYYY-MM-DD
     * @param  string|null  $start  HH:MM; null for no evening
     */
    public function __construct(public string $date, public ?string $start, public ?int $minutes)
    {
    }
}

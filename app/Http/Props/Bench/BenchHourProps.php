<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

final readonly class BenchHourProps
{
    /**
     * @param  int  $day  1 Monday .. 7 Sunday
     * @param  string  $start  HH:MM
     */
    public function __construct(public int $day, public string $start, public int $minutes)
    {
    }
}

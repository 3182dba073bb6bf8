<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

final readonly class OwnRuleProps
{
    /** @param  float|null  $weight  minutes; null when it must be */
    public function __construct(public int $id, public string $before, public string $after, public ?float $weight, public string $reason)
    {
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

/**
 * One step before another, and why.
 */
final readonly class OrderRuleProps
{
    /** @param  float|null  $weight  minutes it is worth; null when it must be */
    public function __construct(
        public string $before,
        public string $after,
        public ?float $weight,
        public string $rule,
        public string $reason,
        public bool $isKept,
    ) {
    }
}

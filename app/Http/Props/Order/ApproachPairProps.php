<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

/**
 * Two ways that both work, and which one this painter follows.
 */
final readonly class ApproachPairProps
{
    public function __construct(public string $usual, public string $other, public bool $followsOther)
    {
    }
}

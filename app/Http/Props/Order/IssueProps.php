<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

final readonly class IssueProps
{
    /** @param  bool  $stops  it cannot be painted like this */
    public function __construct(public string $what, public ?string $remedy, public bool $stops, public ?string $step, public ?int $areaId)
    {
    }
}

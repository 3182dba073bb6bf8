<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

final readonly class BoundaryProps
{
    public function __construct(public int $id, public int $areaId, public int $otherId, public float $mm, public bool $isCurved)
    {
    }
}

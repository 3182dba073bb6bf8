<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use App\Models\Brief\Boundary;
use App\Models\Brief\Figure;

final readonly class BoundaryProps
{
    public function __construct(public int $id, public int $areaId, public int $otherId, public float $mm, public bool $isCurved)
    {
    }

    /** @return list<self> */
    public static function allOf(Figure $figure): array
    {
        return array_values($figure->boundaries->map(static fn (Boundary $b): self => new self($b->id, $b->area_id, $b->other_id, $b->mm, $b->is_curved))->all());
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Models\Brief\Figure;
use App\Models\Brief\Part;

final readonly class PartProps
{
    public function __construct(public int $id, public string $name)
    {
    }

    /** @return list<self> */
    public static function allOf(Figure $figure): array
    {
        return array_values($figure->parts->map(static fn (Part $p) => new self($p->id, $p->name))->all());
    }
}

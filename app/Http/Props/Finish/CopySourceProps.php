<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Models\Brief\Area;
use App\Models\Painter;

/**
 * An area whose finish can be copied.
 */
final readonly class CopySourceProps
{
    private function __construct(public int $areaId, public string $area, public string $figure)
    {
    }

    /** @return list<self> of all figures of the painter */
    public static function all(Painter $painter): array
    {
        $areas = Area::query()->whereHas('layers')->whereHas('figure', static fn ($q) => $q->where('painter_id', $painter->id))->with('figure')->orderBy('figure_id')->orderBy('position')->get();

        return array_values($areas->map(static fn (Area $a): self => new self($a->id, $a->name, $a->figure->name ?? ''))->all());
    }
}

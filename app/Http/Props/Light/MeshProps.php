<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Models\Light\FigureMesh;

/**
 * One print file.
 */
final readonly class MeshProps
{
    /**
     * @param  list<float>  $sizeMm  x, y, z of its box
     * @param  float  $unitMm  of one unit of the file
     * @param  list<string>  $remarks  what is wrong with it, and whether it matters
     * @param  list<float>  $move  mm
     * @param  float  $turn  degrees about up
     * @param  bool  $isJoined  set on another part by its face
     */
    public function __construct(
        public int $id,
        public ?int $partId,
        public string $title,
        public int $triangles,
        public array $sizeMm,
        public float $unitMm,
        public float $areaCm2,
        public float $volumeCm3,
        public int $shells,
        public int $openEdges,
        public array $remarks,
        public array $move,
        public float $turn,
        public bool $mirror,
        public bool $isJoined,
    ) {
    }

    public static function of(FigureMesh $mesh): self
    {
        $m = $mesh->measures;
        $unit = $mesh->unit_mm;

        return new self(
            $mesh->id,
            $mesh->part_id,
            $mesh->title,
            $mesh->triangles,
            array_map(static fn (float|int $low, float|int $high): float => ($high - $low) * $unit, $m['boundsMm'][0], $m['boundsMm'][1]),
            $unit,
            $m['areaMm2'] * $unit ** 2 / 100,
            $m['volumeMm3'] * $unit ** 3 / 1000,
            $m['shells'],
            $m['openEdges'],
            $m['remarks'],
            $mesh->pose['move'] ?? [0.0, 0.0, 0.0],
            $mesh->pose['turn'] ?? 0.0,
            $mesh->pose['mirror'] ?? false,
            isset($mesh->pose['joint']),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;

/**
 * One print file.
 */
final readonly class MeshProps
{
    /**
     * @param  list<float>  $sizeMm  x, y, z of its box
     * @param  float  $unitMm  of one unit of the file
     * @param  list<string>  $remarks  what is wrong with it, and whether it matters
     * @param  list<FindingProps>  $findings  what it holds besides the figure, with what can be done
     * @param  list<float>  $move  mm
     * @param  list<float>  $rotation  quaternion x, y, z, w
     * @param  bool  $isJoined  set on another part by its face
     * @param  int|null  $ontoId  of the part it stands on and goes with
     * @param  string  $bareUrl  of what the view shows before there is light: counts, positions in units of the file, corners
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
        public array $findings,
        public array $move,
        public array $rotation,
        public bool $mirror,
        public bool $isJoined,
        public ?int $ontoId,
        public string $bareUrl,
    ) {
    }

    public static function of(FigureMesh $mesh, LightRecord $light): self
    {
        $m = $mesh->measures;
        $pose = $mesh->stands($light->axis());
        $unit = $mesh->unit_mm;

        return new self(
            $mesh->id,
            $mesh->part_id,
            $mesh->title,
            triangles: $mesh->triangles,
            sizeMm: array_map(static fn (float|int $low, float|int $high): float => ($high - $low) * $unit, $m['boundsMm'][0], $m['boundsMm'][1]),
            unitMm: $unit,
            areaCm2: $m['areaMm2'] * $unit ** 2 / 100,
            volumeCm3: $m['volumeMm3'] * $unit ** 3 / 1000,
            shells: $m['shells'],
            openEdges: $m['openEdges'],
            remarks: $m['remarks'],
            findings: FindingProps::of($mesh),
            move: $pose->move,
            rotation: $pose->rotation,
            mirror: $pose->mirrored,
            isJoined: isset($mesh->pose['joint']),
            ontoId: $mesh->onto_id,
            bareUrl: route('meshes.bare', ['figure' => $mesh->figure_id, 'mesh' => $mesh->id, 'of' => substr($mesh->path, -12)]),
        );
    }
}

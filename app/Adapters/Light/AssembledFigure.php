<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Hyalin\Light\Pose;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;

/**
 * The print files of a figure put together as they stand on the finished piece, in mm; which area each triangle is, as
 * far as whole pieces tell it.
 */
final readonly class AssembledFigure
{
    /**
     * @param  list<int>  $areaOf  id of the area of each triangle, 0 for none yet
     * @param  list<array{FigureMesh, TriangleMesh}>  $parts  each file as it stands, before the whole is scaled; their triangles
     *                                                        follow each other in the whole
     * @param  float  $scale  of the whole, for its height
     */
    private function __construct(public TriangleMesh $mesh, public array $areaOf, public array $parts, public float $scale)
    {
    }

    /** @return self|null null when the figure has no mesh */
    public static function of(Figure $figure, LightRecord $light): ?self
    {
        $positions = $indices = '';
        $areaOf = $parts = [];
        foreach ($figure->meshes()->with(['part', 'shells'])->get() as $record) {
            $mesh = MeshStore::mesh($record->path);
            $posed = $record->stands($light->axis())->applied($mesh);
            $first = intdiv(strlen($positions), 12);
            $positions .= $posed->positions;
            $indices .= self::shifted($posed, $first);
            foreach (self::areas($figure, $record, $mesh) as $area) {
                $areaOf[] = $area;
            }
            $parts[] = [$record, $posed];
        }
        if ($indices === '') {
            return null;
        }
        $mesh = TriangleMesh::of($positions, $indices);
        $scale = self::scale($mesh, $light);

        return new self($scale === 1.0 ? $mesh : Pose::of(scale: $scale)->applied($mesh), $areaOf, $parts, $scale);
    }

    /** @return bool whether files or pose changed since the light was calculated */
    public static function isStale(Figure $figure, LightRecord $light): bool
    {
        return $light->of !== null && $light->of !== self::signature($figure, $light);
    }

    /** @return string what changes when another light must be computed */
    public static function signature(Figure $figure, LightRecord $light): string
    {
        return hash('sha256', (string) json_encode([
            $figure->loadMissing('meshes')->meshes->map(static fn (FigureMesh $m): array => [$m->id, $m->path, $m->unit_mm, $m->pose])->all(), $light->up, $light->height_mm,
        ]));
    }

    /** @return list<array{string, int}> file and number of its triangles, in their order */
    public function sources(): array
    {
        return array_map(static fn (array $part): array => [$part[0]->path, $part[1]->triangles()], $this->parts);
    }

    private static function shifted(TriangleMesh $mesh, int $first): string
    {
        $bytes = '';
        foreach ($mesh->chunks() as $corners) {
            $bytes .= pack('V*', ...array_map(static fn (int $corner): int => $corner + $first, array_values($corners)));
        }

        return $bytes;
    }

    /** @return list<int> */
    private static function areas(Figure $figure, FigureMesh $record, TriangleMesh $mesh): array
    {
        $own = $figure->areas()->where('part_id', $record->part_id)->get()->map(static fn (Area $a): int => $a->id)->all();
        // A part with one area is that area.
        $whole = $record->part_id !== null && count($own) === 1 ? (int) reset($own) : 0;
        $byShell = $record->shellAreas();
        if ($byShell === []) {
            return array_fill(0, $mesh->triangles(), $whole);
        }
        $shellOf = MeshMeasures::of($mesh)->shellOf;
        $areas = [];
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = count($corners); $i < $n; $i += 3) {
                $areas[] = $byShell[$shellOf[$corners[$i]]] ?? $whole;
            }
        }

        return $areas;
    }

    private static function scale(TriangleMesh $mesh, LightRecord $light): float
    {
        if ($light->height_mm === null) {
            return 1.0;
        }
        $bounds = $mesh->bounds();
        $axis = (int) array_search(true, array_map(static fn (float $a): bool => $a !== 0.0, $light->axis()), true);
        $high = $bounds[1][$axis] - $bounds[0][$axis];

        return $high > 0.0 ? $light->height_mm / $high : 1.0;
    }
}

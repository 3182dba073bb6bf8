<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\AssembledFigure;
use App\Adapters\Light\SculptDivision;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\NextNumber;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;
use Illuminate\Support\Facades\DB;

/**
 * A first proposal of areas: what is no area yet is cut at its creases and its pieces, and each large region becomes an
 * area of the brief, named after its part. To be renamed, joined and brushed by the painter.
 */
final readonly class ProposeAreas
{
    /** Degrees: printed corners are sharper, rounded limbs gentler. */
    private const CREASE = 40.0;

    /** Of the whole surface: what is smaller is left to be brushed, or goes to its neighbour. */
    private const LEAST = 0.01;

    private const MOST = 24;

    public function __construct(private AssignArea $assignArea)
    {
    }

    /** @return int areas that were made */
    public function __invoke(Figure $figure, LightRecord $light): int
    {
        $study = StoredStudy::of($light);
        $assembly = AssembledFigure::of($figure, $light);
        if ($study === null || $assembly === null) {
            return 0;
        }
        $mesh = $study->measured();
        $edges = Adjacency::of($mesh);
        $least = self::LEAST * array_sum($edges->area);
        $regions = self::regions($study, $mesh, $edges, $least);
        $areaOf = $study->areas();
        $parentOf = $study->parentOf();
        $free = $triangles = [];
        foreach ($regions->of as $t => $region) {
            if ($areaOf[$t] === 0) {
                $free[$region] = ($free[$region] ?? 0.0) + $edges->area[$t];
                $triangles[$region][] = $t;
            }
        }
        arsort($free);
        $free = array_slice(array_filter($free, static fn (float $mm2): bool => $mm2 >= $least), 0, self::MOST, true);

        return DB::transaction(function () use ($figure, $light, $study, $assembly, $parentOf, $free, $triangles): int {
            $given = [];
            $numbers = [];
            foreach (array_keys($free) as $region) {
                $first = $triangles[$region][0];
                $part = self::part($assembly, $parentOf === null ? $first : $parentOf[$first]);
                [$partId, $name] = $part ?? [null, $figure->name];
                do {
                    $numbers[$name] = ($numbers[$name] ?? 0) + 1;
                } while ($figure->areas()->where('name', "{$name} {$numbers[$name]}")->exists());
                $area = $figure->areas()->make(['name' => "{$name} {$numbers[$name]}", 'part_id' => $partId]);
                $area->position = NextNumber::of($figure->areas(), 'position');
                $figure->areas()->save($area);
                $given += array_fill_keys($triangles[$region], $area->id);
            }
            $this->assignArea->give($light, $study, $given);

            return count($free);
        });
    }

    /** Flat faces part along their sharp edges; a sculpt, which has none, along its folds. */
    private static function regions(StoredStudy $study, TriangleMesh $mesh, Adjacency $edges, float $least): Regions
    {
        $flat = Regions::proposed($mesh, $edges, self::CREASE, $least);
        $areas = array_filter($flat->areas($edges), static fn (float $mm2): bool => $mm2 >= $least);
        if (count($areas) > MeshMeasures::of($mesh)->shells && count($areas) <= self::MOST) {
            return $flat;
        }

        return Regions::given(SurfaceGraph::onTriangles($mesh, $study->vertexOf(), SculptDivision::of($study)->proposed()));
    }

    /** @return array{int, string}|null id and name of the part that a triangle of the files belongs to */
    private static function part(AssembledFigure $assembly, int $triangle): ?array
    {
        foreach ($assembly->parts as [$record, $mesh]) {
            if ($triangle < $mesh->triangles()) {
                return $record->part === null ? null : [$record->part->id, $record->part->name];
            }
            $triangle -= $mesh->triangles();
        }

        return null;
    }
}

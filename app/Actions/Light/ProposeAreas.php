<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\AreaHistory;
use App\Adapters\Light\AssembledFigure;
use App\Adapters\Light\SculptSurface;
use App\Adapters\Light\StoredStudy;
use App\Adapters\Light\TriangleRuns;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\NextNumber;
use Hyalin\Light\AreaNames;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\ProgressShare;
use Hyalin\Stopped;
use Illuminate\Support\Facades\DB;

/**
 * A first proposal of areas: what is no area yet is cut at its creases and its pieces, and each large region becomes an
 * area: one that the brief names and the mesh does not show yet where one is likely, a new one named after its part
 * otherwise. To be renamed, joined and brushed by the painter.
 */
final readonly class ProposeAreas
{
    /** Degrees: printed corners are sharper, rounded limbs gentler. */
    private const CREASE = 40.0;

    /** Of the whole surface: what is smaller is left to be brushed, or goes to its neighbour. */
    private const LEAST = 0.01;

    private const MOST = 24;

    public function __construct(private SettleAreas $settle)
    {
    }

    /**
     * @return int areas that were given a place
     *
     * @throws Stopped nothing is changed then
     */
    public function __invoke(Figure $figure, LightRecord $light, ?Progress $progress = null): int
    {
        $study = StoredStudy::of($light);
        $assembly = AssembledFigure::of($figure, $light);
        if ($study === null || $assembly === null) {
            return 0;
        }
        // Shares of the time as sculpts of 300,000 triangles take it.
        Stopped::unless($progress, 0.05);
        $mesh = $study->measured();
        $edges = Adjacency::of($mesh);
        $least = self::LEAST * array_sum($edges->area);
        $regions = self::regions($study, $mesh, $edges, $least, ProgressShare::of($progress, 0.15, 0.85));
        Stopped::unless($progress, 0.85);
        $areaOf = $study->areas();
        $parentOf = $study->parentOf();
        // The inner walls of a hollow print are nobody's to paint.
        $inside = (new SculptSurface($study))->insideTriangles();
        $free = $triangles = [];
        foreach ($regions->of as $t => $region) {
            if ($areaOf[$t] === 0 && ! ($inside[$t] ?? false)) {
                $free[$region] = ($free[$region] ?? 0.0) + $edges->area[$t];
                $triangles[$region][] = $t;
            }
        }
        arsort($free);
        $free = array_slice(array_filter($free, static fn (float $mm2): bool => $mm2 >= $least), 0, self::MOST, true);

        $shown = array_fill_keys($areaOf, true);
        $regions = self::described($light, $mesh, $edges, $assembly, $parentOf, array_intersect_key($triangles, $free));
        $unplaced = $figure->areas()->get()->reject(static fn (Area $a): bool => isset($shown[$a->id]))->keyBy(static fn (Area $a): int => $a->id);
        $guessed = AreaNames::guessed($regions, $unplaced->map(static fn (Area $a): array => ['name' => $a->name, 'mm2' => $a->square_cm === null ? null : 100 * $a->square_cm, 'part' => $a->part_id])->all());

        Stopped::unless($progress, 0.9);

        DB::transaction(static function () use ($figure, $study, $free, $triangles, $regions, $guessed): void {
            $given = $numbers = $made = [];
            $parts = $figure->parts()->pluck('name', 'id');
            foreach (array_keys($free) as $region) {
                // What the brief names already is not named again.
                $areaId = $guessed[$region] ?? null;
                if ($areaId === null) {
                    $partId = $regions[$region]['part'];
                    $name = $partId === null || ! is_string($parts[$partId] ?? null) ? $figure->name : $parts[$partId];
                    do {
                        $numbers[$name] = ($numbers[$name] ?? 0) + 1;
                    } while ($figure->areas()->where('name', "{$name} {$numbers[$name]}")->exists());
                    $area = $figure->areas()->make(['name' => "{$name} {$numbers[$name]}", 'part_id' => $partId]);
                    $area->position = NextNumber::of($figure->areas(), 'position');
                    $figure->areas()->save($area);
                    $made[] = $areaId = $area->id;
                }
                $given += array_fill_keys($triangles[$region], $areaId);
            }
            // What was brushed meanwhile stays.
            $study->giveFree(TriangleRuns::of($given), [], static fn () => AreaHistory::of($study)->keep($made));
        });
        $this->settle->due($light);

        return count($free);
    }

    /**
     * @param  list<int>|null  $parentOf
     * @param  array<int, non-empty-list<int>>  $triangles  by region
     * @return array<int, array{mm2: float, height: float, part: int|null}>
     */
    private static function described(LightRecord $light, TriangleMesh $mesh, Adjacency $edges, AssembledFigure $assembly, ?array $parentOf, array $triangles): array
    {
        $up = $light->axis();
        $axis = (int) array_search(true, array_map(static fn (float $a): bool => $a !== 0.0, $up), true);
        $along = $mesh->coordinates()[$axis];
        $corners = $mesh->corners();
        [$low, $high] = $along === [] ? [0.0, 0.0] : [min($along), max($along)];
        $described = [];
        foreach ($triangles as $region => $own) {
            $mm2 = $sum = 0.0;
            foreach ($own as $t) {
                $mm2 += $edges->area[$t];
                $sum += $edges->area[$t] * $along[$corners[3 * $t]];
            }
            $height = $mm2 > 0.0 && $high > $low ? ($sum / $mm2 - $low) / ($high - $low) : 0.5;
            $described[$region] = ['mm2' => $mm2, 'height' => $up[$axis] < 0.0 ? 1 - $height : $height, 'part' => self::part($assembly, $parentOf === null ? $own[0] : $parentOf[$own[0]])];
        }

        return $described;
    }

    /** Flat faces part along their sharp edges; a sculpt, which has none, along its folds. */
    private static function regions(StoredStudy $study, TriangleMesh $mesh, Adjacency $edges, float $least, ?Progress $progress): Regions
    {
        $flat = Regions::proposed($mesh, $edges, self::CREASE, $least);
        $areas = array_filter($flat->areas($edges), static fn (float $mm2): bool => $mm2 >= $least);
        if (count($areas) > MeshMeasures::of($mesh)->shells && count($areas) <= self::MOST) {
            return $flat;
        }

        Stopped::unless($progress, 0.1);
        $surface = new SculptSurface($study);
        $division = $surface->division();
        Stopped::unless($progress, 0.3);
        $labels = $division->proposedWithNecks($study->working(), $study->curvature(), ProgressShare::of($progress, 0.3, 1.0));

        return Regions::given(array_values($surface->onTriangles($labels)->byTriangle()));
    }

    /** @return int|null the part that a triangle of the files belongs to */
    private static function part(AssembledFigure $assembly, int $triangle): ?int
    {
        foreach ($assembly->parts as [$record, $mesh]) {
            if ($triangle < $mesh->triangles()) {
                return $record->part_id;
            }
            $triangle -= $mesh->triangles();
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\AreaHistory;
use App\Adapters\Light\SculptDivision;
use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Nearest;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;

/**
 * Gives part of a mesh to an area: all of one piece, what lies within creases, or what a brush touches.
 */
final readonly class AssignArea
{
    /** Creaseness that stops a fill, for each step of its threshold. */
    private const CREASE = 0.005;

    public function __construct(private MeasureAreas $measureAreas, private CastSprays $castSprays)
    {
    }

    /**
     * @param  array{float, float, float}  $at  point on the mesh, mm
     * @param  string  $tool  piece, crease or brush
     * @param  float  $size  how deep a crease stops it, 0..180, or mm of the brush's radius
     * @param  int  $areaId  0 takes it away from every area
     * @return int triangles that changed
     */
    public function __invoke(LightRecord $light, array $at, string $tool, float $size, int $areaId): int
    {
        $study = StoredStudy::of($light);
        $mesh = $study?->measured();
        if ($study === null || $mesh === null) {
            return 0;
        }

        return $this->give($light, $study, array_fill_keys($tool === 'crease' ? self::filled($study, $at, $size) : self::touched($mesh, $at, $tool, $size), $areaId));
    }

    /**
     * Everything that hangs together with the seeds is divided between them; what was chosen for other areas stays theirs.
     *
     * @param  non-empty-list<array{array{float, float, float}, int}>  $seeds  point on the mesh, mm, and its area
     * @return int triangles that changed
     */
    public function divide(LightRecord $light, array $seeds): int
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return 0;
        }
        $working = $study->working();
        $at = $mine = [];
        foreach ($seeds as [$point, $areaId]) {
            $at[Nearest::vertex($working, $point)] = $areaId;
            $mine[$areaId] = true;
        }
        $labels = SurfaceGraph::onTriangles($study->measured(), $study->vertexOf(), SculptDivision::of($study)->seeded($at));
        $given = [];
        foreach ($study->chosen() as $t => $chosen) {
            if ($labels[$t] !== null && ($chosen === null || $chosen === 0 || isset($mine[$chosen]))) {
                $given[$t] = $labels[$t];
            }
        }

        return $this->give($light, $study, $given);
    }

    /**
     * @param  array<int, int>  $areas  by measured triangle
     * @return int triangles that changed
     */
    public function give(LightRecord $light, StoredStudy $study, array $areas): int
    {
        $chosen = $study->chosen();
        $areaOf = $study->areas();
        $changed = 0;
        foreach ($areas as $t => $areaId) {
            $changed += $areaOf[$t] === $areaId ? 0 : 1;
            $areaOf[$t] = $chosen[$t] = $areaId;
        }
        AreaHistory::of($study)->keep();
        $study->choose(array_values($chosen), array_values($areaOf));
        $this->measure($light);

        return $changed;
    }

    /** @return bool whether there was an act to take back */
    public function undo(LightRecord $light): bool
    {
        $study = StoredStudy::of($light);
        $done = $study !== null && AreaHistory::of($study)->back();
        if ($done) {
            $this->measure($light);
        }

        return $done;
    }

    /** @return bool whether there was one to do again */
    public function redo(LightRecord $light): bool
    {
        $study = StoredStudy::of($light);
        $done = $study !== null && AreaHistory::of($study)->forth();
        if ($done) {
            $this->measure($light);
        }

        return $done;
    }

    private function measure(LightRecord $light): void
    {
        ($this->measureAreas)($light);
        ($this->castSprays)($light);
    }

    /**
     * @param  array{float, float, float}  $at
     * @param  float  $size  0..180, how deep a crease stops it
     * @return list<int>
     */
    private static function filled(StoredStudy $study, array $at, float $size): array
    {
        $reached = SculptDivision::of($study)->filled(Nearest::vertex($study->working(), $at), $size * self::CREASE);
        $labels = [];
        for ($v = 0, $n = $study->working()->vertices(); $v < $n; $v++) {
            $labels[] = isset($reached[$v]) ? 1 : 0;
        }

        $vertexOf = $study->vertexOf();
        $mesh = $study->measured();
        $filled = array_keys(SurfaceGraph::onTriangles($mesh, $vertexOf, $labels), 1, true);

        // A mesh of few triangles has flat faces: their sharp edges stop it as well.
        return $vertexOf !== null ? $filled : array_values(array_intersect($filled, array_keys(Regions::grown(Adjacency::of($mesh), Nearest::to($mesh, $at)[0], $size))));
    }

    /**
     * @param  array{float, float, float}  $at
     * @return list<int>
     */
    private static function touched(TriangleMesh $mesh, array $at, string $tool, float $size): array
    {
        $nearest = Nearest::to($mesh, $at)[0];

        return match ($tool) {
            'brush' => Nearest::within($mesh, $at, $size),
            default => self::piece($mesh, $mesh->corners(), $nearest),
        };
    }

    /**
     * @param  list<int>  $corners
     * @return list<int>
     */
    private static function piece(TriangleMesh $mesh, array $corners, int $nearest): array
    {
        $shellOf = MeshMeasures::of($mesh)->shellOf;
        $piece = $shellOf[$corners[3 * $nearest]];

        return array_values(array_filter(range(0, intdiv(count($corners), 3) - 1), static fn (int $t): bool => $shellOf[$corners[3 * $t]] === $piece));
    }
}

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
use Hyalin\Mesh\Ways;

/**
 * Gives part of a mesh to an area: all of one piece, what lies within creases, or what a brush touches.
 */
final class AssignArea
{
    /** Creaseness that stops a fill, for each step of its threshold. */
    private const CREASE = 0.005;

    /** Of an area: what must lie across from it for the figure to have two sides. */
    private const ALIKE = 0.3;

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

        return $this->give($study, array_fill_keys($tool === 'crease' ? self::filled($study, $at, $size) : self::touched($mesh, $at, $tool, $size), $areaId));
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

        return $this->give($study, $given);
    }

    /**
     * What a line around it closes in, drawn from point to point.
     *
     * @param  list<array{float, float, float}>  $points  on the mesh, mm
     * @return int|null triangles that changed; null when the line closes nothing in
     */
    public function lasso(LightRecord $light, array $points, int $areaId): ?int
    {
        $study = StoredStudy::of($light);
        $working = $study?->working();
        if ($study === null || $working === null) {
            return null;
        }
        $line = array_values(array_unique(array_map(static fn (array $p): int => Nearest::vertex($working, $p), $points)));
        $within = count($line) < 3 ? null : SculptDivision::of($study)->enclosed($line);

        return $within === null ? null : $this->give($study, array_fill_keys(self::triangles($study, $within), $areaId));
    }

    /**
     * Moves the border of an area outwards, or inwards where mm is negative: what it gives up goes to its neighbours.
     *
     * @param  float  $mm  along the surface
     * @return int triangles that changed
     */
    public function grow(LightRecord $light, int $areaId, float $mm): int
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return 0;
        }
        $working = $study->working();
        $corners = $working->corners();
        $own = $others = [];
        foreach ($study->workingAreas() as $t => $area) {
            foreach ([$corners[3 * $t], $corners[3 * $t + 1], $corners[3 * $t + 2]] as $v) {
                if ($area === $areaId) {
                    $own[$v] = $areaId;
                } else {
                    $others[$v] = $area;
                }
            }
        }
        $border = array_intersect_key($mm > 0 ? $own : $others, $mm > 0 ? $others : $own);
        $reached = Ways::from(SurfaceGraph::of($working), $border, most: abs($mm));
        $labels = [];
        for ($v = 0, $n = $working->vertices(); $v < $n; $v++) {
            $labels[] = isset($reached->far[$v]) ? $reached->of[$v] : null;
        }
        $given = [];
        $areaOf = $study->areas();
        foreach (SurfaceGraph::onTriangles($study->measured(), $study->vertexOf(), $labels) as $t => $label) {
            if ($label !== null && ($areaOf[$t] === $areaId) !== ($mm > 0)) {
                $given[$t] = $label;
            }
        }

        return $this->give($study, $given);
    }

    /**
     * What lies across from an area on the other side of the figure.
     *
     * @param  int  $toId  area that it is given to
     * @return int|null triangles that changed; null when the other side looks otherwise
     */
    public function mirror(LightRecord $light, int $areaId, int $toId): ?int
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return null;
        }
        $working = $study->working();
        $corners = $working->corners();
        $own = [];
        foreach ($study->workingAreas() as $t => $area) {
            if ($area === $areaId) {
                $own[$corners[3 * $t]] = $own[$corners[3 * $t + 1]] = $own[$corners[3 * $t + 2]] = true;
            }
        }
        $across = $study->mirror([$light->sideAxis(), $light->frontAxis()])->across($own);
        if (count($across) < self::ALIKE * count($own)) {
            return null;
        }
        $areaOf = $study->areas();
        $given = array_filter(self::triangles($study, $across), static fn (int $t): bool => $areaOf[$t] !== $areaId);

        return $this->give($study, array_fill_keys($given, $toId));
    }

    /**
     * @param  array<int, int>  $areas  by measured triangle
     * @param  list<int>  $made  areas of the brief that this act made: taken back, they go with it
     * @return int triangles that changed
     */
    public function give(StoredStudy $study, array $areas, array $made = []): int
    {
        AreaHistory::of($study)->keep($made);

        return $study->give($areas);
    }

    /** @return bool whether there was an act to take back */
    public function undo(LightRecord $light): bool
    {
        $study = StoredStudy::of($light);

        return $study !== null && AreaHistory::of($study)->back();
    }

    /** @return bool whether there was one to do again */
    public function redo(LightRecord $light): bool
    {
        $study = StoredStudy::of($light);

        return $study !== null && AreaHistory::of($study)->forth();
    }

    /**
     * @param  array{float, float, float}  $at
     * @param  float  $size  0..180, how deep a crease stops it
     * @return list<int>
     */
    private static function filled(StoredStudy $study, array $at, float $size): array
    {
        $filled = self::triangles($study, SculptDivision::patches($study)->filled(Nearest::vertex($study->working(), $at), $size * self::CREASE));
        if ($study->vertexOf() !== null) {
            return $filled;
        }
        // A mesh of few triangles has flat faces: their sharp edges stop it as well.
        $mesh = $study->measured();

        return array_values(array_intersect($filled, array_keys(Regions::grown(Adjacency::of($mesh), Nearest::to($mesh, $at)[0], $size))));
    }

    /**
     * @param  array{float, float, float}  $at
     * @return list<int>
     */
    private static function touched(TriangleMesh $mesh, array $at, string $tool, float $size): array
    {
        [$within, $nearest] = Nearest::near($mesh, $at, $tool === 'brush' ? $size : 0.0);

        return match ($tool) {
            // What lies behind a thin wall is near, and not touched.
            'brush' => self::hangingTogether($mesh, $within ?: [$nearest], $nearest),
            default => self::piece($mesh, $mesh->corners(), $nearest),
        };
    }

    /**
     * @param  list<int>  $corners
     * @return list<int>
     */
    private static function piece(TriangleMesh $mesh, array $corners, int $nearest): array
    {
        [, $shellOf] = MeshMeasures::shells($mesh);
        $piece = $shellOf[$corners[3 * $nearest]];

        return array_values(array_filter(range(0, intdiv(count($corners), 3) - 1), static fn (int $t): bool => $shellOf[$corners[3 * $t]] === $piece));
    }

    /**
     * @param  array<int, true>  $vertices  of the working mesh
     * @return list<int> measured triangles
     */
    private static function triangles(StoredStudy $study, array $vertices): array
    {
        $labels = [];
        for ($v = 0, $n = $study->working()->vertices(); $v < $n; $v++) {
            $labels[] = isset($vertices[$v]) ? 1 : 0;
        }

        return array_keys(SurfaceGraph::onTriangles($study->measured(), $study->vertexOf(), $labels), 1, true);
    }

    /**
     * @param  list<int>  $triangles
     * @return list<int> those that share vertices with the first of them, and with each other
     */
    private static function hangingTogether(TriangleMesh $mesh, array $triangles, int $first): array
    {
        $corners = $mesh->corners();
        $by = [];
        foreach ($triangles as $t) {
            for ($k = 0; $k < 3; $k++) {
                $by[$corners[3 * $t + $k]][] = $t;
            }
        }
        $reached = [$first => true];
        $open = [$first];
        while (($t = array_pop($open)) !== null) {
            for ($k = 0; $k < 3; $k++) {
                foreach ($by[$corners[3 * $t + $k]] ?? [] as $next) {
                    if (! isset($reached[$next])) {
                        $reached[$next] = true;
                        $open[] = $next;
                    }
                }
            }
        }

        return array_keys($reached);
    }
}

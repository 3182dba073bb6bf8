<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\AreaHistory;
use App\Adapters\Light\SculptSurface;
use App\Adapters\Light\StoredStudy;
use App\Adapters\Light\TriangleRuns;
use App\Models\Light\LightRecord;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Nearest;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\Ways;

/**
 * Gives part of a mesh to an area: all of one piece, what lies within creases, or what a brush touches.
 */
final class AssignArea
{
    /** Creaseness that stops a fill, for each step of its threshold, and degrees at which flat faces meet: own choices, from where seven sculpts have their creases. */
    private const CREASE = 0.005;

    private const DEGREES = 4.0;

    /** Of an area: what must lie across from it for the figure to have two sides. */
    private const ALIKE = 0.3;

    /**
     * @param  array{float, float, float}  $at  point on the mesh, mm
     * @param  string  $tool  piece, crease or brush
     * @param  float  $size  how deep a crease stops it, 0..180, or mm of the brush's radius
     * @param  int  $areaId  0 takes it away from every area
     * @param  int|null  $instead  number of the last act, which this one takes the place of: a fill whose threshold is moved
     * @return bool false when that is not the last act any more; nothing is changed then
     */
    public function __invoke(LightRecord $light, array $at, string $tool, float $size, int $areaId, ?int $instead = null): bool
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return true;
        }
        $surface = new SculptSurface($study);
        if ($instead !== null) {
            $history = AreaHistory::of($study);
            if ($history->last() !== $instead) {
                return false;
            }
            $history->replace();
        }
        $this->give($study, match ($tool) {
            'crease' => self::filled($study, $surface, $at, $size, $areaId),
            'brush' => TriangleRuns::of(array_fill_keys($surface->touched($at, $size), $areaId)),
            default => $surface->piece($at, $areaId),
        });

        return true;
    }

    /**
     * Everything that hangs together with the seeds is divided between them; what was chosen for other areas stays theirs.
     *
     * @param  non-empty-list<array{array{float, float, float}, int}>  $seeds  point on the mesh, mm, and its area
     * @return bool false when all of it was chosen for other areas: nothing is changed then
     */
    public function divide(LightRecord $light, array $seeds): bool
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return true;
        }
        $surface = new SculptSurface($study);
        $areas = array_column($seeds, 1);
        $at = array_combine($surface->vertices(array_column($seeds, 0)), $areas);
        $given = $surface->onOutside($surface->division()->seeded($at));

        return $study->giveFree($given, array_fill_keys($areas, true), static fn () => AreaHistory::of($study)->keep());
    }

    /**
     * What a line around it closes in, drawn from point to point.
     *
     * @param  list<array{float, float, float}>  $points  on the mesh, mm
     * @return bool whether the line closes anything in
     */
    public function lasso(LightRecord $light, array $points, int $areaId): bool
    {
        $study = StoredStudy::of($light);
        if ($study === null || $points === []) {
            return false;
        }
        $surface = new SculptSurface($study);
        $line = array_values(array_unique($surface->vertices($points)));
        $within = count($line) < 3 ? null : $surface->division()->enclosed($line);

        if ($within === null) {
            return false;
        }
        $this->give($study, $surface->triangles($within, $areaId));

        return true;
    }

    /**
     * Moves the border of an area outwards, or inwards where mm is negative: what it gives up goes to its neighbours.
     *
     * @param  float  $mm  along the surface
     * @return bool false when it has no border on the mesh: nothing is changed then
     */
    public function grow(LightRecord $light, int $areaId, float $mm): bool
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return true;
        }
        $surface = new SculptSurface($study);
        $n = $study->working()->vertices();
        $corners = $surface->workingCorners();
        // Flat lists over all vertices: most are asked for with every act.
        $own = array_fill(0, $n, false);
        $others = array_fill(0, $n, null);
        foreach ($study->workingAreas() as $t => $area) {
            $i = 3 * $t;
            if ($area === $areaId) {
                $own[$corners[$i]] = $own[$corners[$i + 1]] = $own[$corners[$i + 2]] = true;
            } else {
                $others[$corners[$i]] = $others[$corners[$i + 1]] = $others[$corners[$i + 2]] = $area;
            }
        }
        $border = [];
        foreach ($others as $v => $area) {
            if ($area !== null && $own[$v]) {
                $border[$v] = $mm > 0 ? $areaId : $area;
            }
        }
        if ($border === []) {
            return false;
        }
        $labels = array_fill(0, $n, null);
        foreach (Ways::from($surface->surroundings(), $border, most: abs($mm))->of as $v => $area) {
            $labels[$v] = $area;
        }
        $reached = $surface->onOutside(array_values($labels))->byTriangle();
        $given = $study->ofArea(array_keys($reached), $areaId, $mm < 0);
        $this->give($study, TriangleRuns::of(array_intersect_key($reached, array_flip($given))));

        return true;
    }

    /**
     * The mirror image of an area, on the other side of the figure.
     *
     * @param  int  $toId  area that it is given to
     * @return bool whether the other side looks alike
     */
    public function mirror(LightRecord $light, int $areaId, int $toId): bool
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return false;
        }
        $surface = new SculptSurface($study);
        $corners = $surface->workingCorners();
        $own = [];
        foreach ($study->workingAreas() as $t => $area) {
            if ($area === $areaId) {
                $own[$corners[3 * $t]] = $own[$corners[3 * $t + 1]] = $own[$corners[3 * $t + 2]] = true;
            }
        }
        $across = $surface->across($own, [$light->sideAxis(), $light->frontAxis()]);
        if ($own === [] || count($across) < self::ALIKE * count($own)) {
            return false;
        }
        $given = $study->ofArea(array_keys($surface->triangles($across, $toId)->byTriangle()), $areaId, false);
        $this->give($study, TriangleRuns::of(array_fill_keys($given, $toId)));

        return true;
    }

    /**
     * @param  TriangleRuns  $areas  of measured triangles
     * @param  list<int>  $made  areas of the brief that this act made: taken back, they go with it
     */
    public function give(StoredStudy $study, TriangleRuns $areas, array $made = []): void
    {
        AreaHistory::of($study)->keep($made);

        $study->give($areas);
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
     */
    private static function filled(StoredStudy $study, SculptSurface $surface, array $at, float $size, int $areaId): TriangleRuns
    {
        $filled = $surface->triangles($surface->patches()->filled($surface->vertices([$at])[0], $size * self::CREASE), $areaId);
        if ($study->isCoarse()) {
            return $filled;
        }
        // A mesh of few triangles has flat faces: their sharp edges stop it as well.
        $mesh = $study->measured();

        return TriangleRuns::of(array_intersect_key($filled->byTriangle(), Regions::grown(Adjacency::of($mesh), Nearest::to($mesh, $at)[0], min(180.0, self::DEGREES * $size))));
    }
}

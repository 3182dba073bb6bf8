<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\AssembledFigure;
use App\Adapters\Light\MeasuringTurn;
use App\Adapters\Light\MeshStore;
use App\Adapters\Light\SharedShadows;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use Hyalin\InvalidInput;
use Hyalin\Light\BendStrength;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Sky;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Progress;
use Hyalin\ProgressShare;
use Hyalin\Stopped;

/**
 * Computes the light on a figure and keeps what is slow to compute: its working mesh, which directions reach it, its zones.
 * Another spray is then a matter of moments (CastSprays), other areas one of seconds (MeasureAreas).
 */
final readonly class StudyLight
{
    public function __construct(private MeasureAreas $measureAreas, private CastSprays $castSprays, private SharedShadows $shadows)
    {
    }

    /** @throws Stopped */
    public function __invoke(Figure $figure, LightRecord $light, Progress $progress): void
    {
        $assembly = AssembledFigure::of($figure, $light);
        if ($assembly === null) {
            return;
        }
        // Shares of the time as a print of half a million triangles takes it.
        Stopped::unless($progress, 0.06);
        $measures = MeshMeasures::of($assembly->mesh);
        Stopped::unless($progress, 0.12);
        $sky = Sky::around($light->axis());
        $coarser = max(1.0, config()->float('hyalin.light_coarser'));
        $study = LightStudy::of($assembly->mesh, $measures, $sky->directions, ProgressShare::of($progress, 0.2, 0.6), $this->shadows, $coarser)->inRows();
        $stored = StoredStudy::create($study, $assembly);
        try {
            Stopped::unless($progress, 0.68);
            [$zones, $open, $bend] = ZoneMap::studied($study, $sky, $measures->size(), new BendStrength($light->edges, $light->grooves));
            $stored->putOpenness($open);
            $stored->putCurvature($bend);
            $stored->putZones($zones->of);
            Stopped::unless($progress, 0.8);
            StoredStudy::settleFiles($light->fresh() ?? $light);
            $chosen = self::chosen($figure, $assembly, $study->parentOf);
            $areaOf = [];
            foreach ($chosen as $t => $own) {
                $areaOf[] = $own ?? $assembly->areaOf[$study->parentOf[$t] ?? $t];
            }
            $stored->putAreas($chosen, $areaOf);
            $apart = self::apart($assembly, $light);
            Stopped::unless($progress, 0.86);
        } catch (InvalidInput $e) {
            $stored->forget();
            throw $e;
        }
        $old = StoredStudy::of($light);
        $found = ['path' => $stored->path, 'measured_of' => null, 'of' => AssembledFigure::signature($figure, $light), 'result' => [
            'areas' => [], 'borders' => [], 'noAreaCm2' => 0.0, 'insideCm2' => 0.0, 'triangles' => $study->evaluated->triangles(), 'sizeMm' => $measures->size(), 'apart' => $apart,
        ]];
        unset($assembly, $study, $zones, $open, $bend, $chosen, $areaOf);
        MeasuringTurn::take($light, function () use ($light, $stored, $found, $progress): void {
            $measured = $stored->stampOfMeasures($light);
            $light->update($found);
            ($this->measureAreas)($light);
            $progress->at(0.95);
            ($this->castSprays)($light);
            $light->update(['measured_of' => $measured]);
        });
        $old?->forget();
    }

    /**
     * What the painter chose on the mesh stays with the triangles of its files.
     *
     * @param  list<int>|null  $parentOf
     * @return list<int|null>
     */
    private static function chosen(Figure $figure, AssembledFigure $assembly, ?array $parentOf): array
    {
        // An area that was taken out of the brief since is none any more; 0 is no area by choice.
        $known = array_fill_keys([0, ...$figure->areas()->get()->map(static fn (Area $a): int => $a->id)->all()], true);
        $byTriangle = [];
        $any = false;
        foreach ($assembly->sources() as [$file, $count]) {
            $chosen = StoredStudy::chosenOf($file);
            $any = $any || $chosen !== [];
            for ($t = 0; $t < $count; $t++) {
                $byTriangle[] = $chosen[$t] ?? [];
            }
        }
        if (! $any) {
            return array_fill(0, count($parentOf ?? $byTriangle), null);
        }
        $parentOf ??= array_keys($byTriangle);
        // Flat lists: millions of triangles.
        $pieces = $seen = array_fill(0, count($byTriangle), 0);
        foreach ($parentOf as $parent) {
            $pieces[$parent]++;
        }
        $all = [];
        foreach ($parentOf as $parent) {
            $own = $byTriangle[$parent];
            $nth = $seen[$parent]++;
            // Split as before, each piece keeps its own; split otherwise, all get what the first of them had.
            $area = count($own) === $pieces[$parent] ? $own[$nth] : $own[0] ?? null;
            $all[] = $area !== null && isset($known[$area]) ? $area : null;
        }

        return $all;
    }

    /**
     * Files that stand otherwise on the figure than in themselves: a part sprayed as in its file gets light on its wrong side.
     *
     * @return array<int, array{share: float, up: array{float, float, float}}> by mesh
     */
    private static function apart(AssembledFigure $assembly, LightRecord $light): array
    {
        $apart = [];
        foreach ($assembly->parts as [$record]) {
            $pose = $record->stands($light->axis());
            if ($pose->isUpright($light->axis())) {
                continue;
            }
            $share = $pose->lightOnWrongSide(MeshStore::mesh($record->path), $light->axis());
            if ($share > 0.0) {
                $apart[$record->id] = ['share' => $share, 'up' => $pose->inFile($light->axis())];
            }
        }

        return $apart;
    }
}

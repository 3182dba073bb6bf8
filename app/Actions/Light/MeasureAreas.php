<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\SculptSurface;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Area;
use App\Models\Light\LightRecord;
use Hyalin\Finish\AreaForm;
use Hyalin\Light\Gradient;
use Hyalin\Light\Openness;
use Hyalin\Light\ZoneMap;
use Hyalin\Light\ZoneWeights;
use Hyalin\Mesh\Borders;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * What follows from which triangle is which area: cm2, shares of the zones, what no eye reaches, borders, and what each
 * vertex counts for in the light of an area.
 *
 * @phpstan-import-type LitBorder from LightRecord
 */
final class MeasureAreas
{
    /** @throws Stopped */
    public function __invoke(LightRecord $light, ?Progress $progress = null): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return;
        }
        $mesh = $study->measured();
        $mm2Of = $mesh->areas();
        $areaOf = $study->areas();
        // Shares of the time as a print of half a million triangles takes it.
        Stopped::unless($progress, 0.15);
        [$placed, $gradients] = self::placed($light, $mesh, $study->zones(), $areaOf);
        $study->showZones($placed);
        $zones = ZoneMap::known($placed);
        $vertexOf = $study->vertexOf();
        Stopped::unless($progress, 0.25);
        $study->putWeights(ZoneWeights::of($mesh, $vertexOf, $mm2Of, $zones->of, $areaOf));
        Stopped::unless($progress, 0.5);
        $open = $study->openness();
        $mm2 = $hidden = [];
        $t = 0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = count($corners); $i < $n; $i += 3, $t++) {
                $id = $areaOf[$t];
                $mm2[$id] = ($mm2[$id] ?? 0.0) + $mm2Of[$t];
                $most = 0;
                foreach ([$corners[$i], $corners[$i + 1], $corners[$i + 2]] as $v) {
                    $most = max($most, ord($open[$vertexOf === null ? $v : $vertexOf[$v]]));
                }
                // No way out in any direction from any corner: no eye gets there either.
                $hidden[$id] = ($hidden[$id] ?? 0.0) + (Openness::isHidden($most / 255) ? $mm2Of[$t] : 0.0);
            }
        }
        Stopped::unless($progress, 0.7);
        $insideMm2 = 0.0;
        foreach ((new SculptSurface($study))->insideTriangles() as $t => $isInside) {
            $insideMm2 += $isInside && $areaOf[$t] === 0 ? $mm2Of[$t] : 0.0;
        }
        $shares = $zones->shares($mm2Of, $areaOf);
        Stopped::unless($progress, 0.8);
        $areas = [];
        foreach ($mm2 as $id => $all) {
            $areas[] = ['areaId' => $id, 'cm2' => $all / 100, 'hidden' => $hidden[$id] / max(1e-9, $all), 'shares' => $shares[$id], 'exposure' => 0.0, 'byZone' => [], ...isset($gradients[$id]) ? ['gradient' => ['from' => $gradients[$id]->from, 'to' => $gradients[$id]->to]] : []];
        }
        $light->update(['result' => [
            ...$light->result, 'areas' => array_values(array_filter($areas, static fn (array $a): bool => $a['areaId'] !== 0)),
            'noAreaCm2' => max(0.0, ($mm2[0] ?? 0.0) - $insideMm2) / 100, 'insideCm2' => $insideMm2 / 100, 'borders' => self::borders($mesh, $areaOf),
        ]]);
    }

    /**
     * The zones of areas that are a gradient are places along it.
     *
     * @param  list<int>  $zones  as the relief has them
     * @param  list<int>  $areaOf
     * @return array{list<int>, array<int, Gradient>} zones, and gradients by area
     */
    private static function placed(LightRecord $light, TriangleMesh $mesh, array $zones, array $areaOf): array
    {
        $own = Area::query()->where('figure_id', $light->figure_id)->where('form', AreaForm::Gradient)->get()->keyBy(static fn (Area $a): int => $a->id);
        if ($own->isEmpty()) {
            return [$zones, []];
        }
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $triangles = [];
        foreach ($areaOf as $t => $id) {
            if ($own->has($id)) {
                $triangles[$id][] = $t;
            }
        }
        $middle = static function (int $t) use ($x, $y, $z, $corners): array {
            [$a, $b, $c] = [$corners[3 * $t], $corners[3 * $t + 1], $corners[3 * $t + 2]];

            return [($x[$a] + $x[$b] + $x[$c]) / 3, ($y[$a] + $y[$b] + $y[$c]) / 3, ($z[$a] + $z[$b] + $z[$c]) / 3];
        };
        $gradients = [];
        foreach ($triangles as $id => $of) {
            $kept = $own->get($id)?->gradient;
            $gradient = $kept === null ? Gradient::along(array_map($middle, $of), $light->axis()) : Gradient::between($kept['from'], $kept['to']);
            if ($gradient === null) {
                continue;
            }
            $gradients[$id] = $gradient;
            foreach ($of as $t) {
                $zones[$t] = $gradient->zone(...$middle($t));
            }
        }

        return [array_values($zones), $gradients];
    }

    /**
     * @param  list<int>  $areaOf
     * @return list<LitBorder> between areas that have a name
     */
    private static function borders(TriangleMesh $mesh, array $areaOf): array
    {
        $borders = [];
        foreach (Borders::between($mesh, $areaOf) as [$a, $b, $mm, $isCurved]) {
            if ($a !== 0 && $b !== 0) {
                $borders[] = ['areaId' => $a, 'otherId' => $b, 'mm' => $mm, 'isCurved' => $isCurved];
            }
        }

        return $borders;
    }
}

<?php

declare(strict_types=1);

namespace App\Actions;

use App\Adapters\Meshes\Assembly;
use App\Adapters\Meshes\Store;
use App\Models\Figure;
use App\Models\LightRecord;
use Hyalin\InvalidInput;
use Hyalin\Light\Exposure;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Openness;
use Hyalin\Light\SprayCone;
use Hyalin\Light\Visibility;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Borders;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/**
 * Computes the light on a figure and keeps what is slow to compute: its working mesh, which directions reach it, how open
 * it lies. Another cone, other areas are then a matter of moments.
 *
 * @phpstan-import-type LitArea from LightRecord
 * @phpstan-import-type LitBorder from LightRecord
 */
final class StudyLight
{
    /** @throws InvalidInput when there is no mesh, or it was stopped */
    public function __invoke(Figure $figure, LightRecord $light, Progress $progress): void
    {
        $assembly = Assembly::of($figure, $light);
        if ($assembly === null) {
            return;
        }
        $measures = MeshMeasures::of($assembly->mesh);
        $cone = SprayCone::around($light->axis(), LightRecord::WIDEST, LightRecord::DIRECTIONS);
        $study = LightStudy::of($assembly->mesh, $measures, [...$cone->directions, ...Openness::directions(LightRecord::ROUND)], $progress);
        $path = 'light/'.Str::ulid()->toBase32();
        Store::putMesh("{$path}.work", $study->working);
        if ($study->vertexOf !== null) {
            Store::putMesh("{$path}.full", $study->evaluated);
            Store::putInts("{$path}.vertexOf", $study->vertexOf);
        }
        foreach ($study->seen->bits as $word => $bits) {
            Store::putLongs("{$path}.seen{$word}", $bits);
        }
        $areaOf = $study->parentOf === null ? $assembly->areaOf : array_map(static fn (int $parent): int => $assembly->areaOf[$parent], $study->parentOf);
        Store::putInts("{$path}.areas", $areaOf);
        $old = $light->path;
        $light->update(['path' => $path, 'of' => Assembly::signature($figure, $light)]);
        self::weigh($light, $measures->size());
        if ($old !== null) {
            Store::forget($old);
        }
    }

    /** What follows from the cone and the areas: exposures, zones, measures. Seconds where shadows take a minute. */
    public static function weigh(LightRecord $light, ?float $size = null): void
    {
        $path = (string) $light->path;
        $work = Store::mesh("{$path}.work");
        $isCoarse = self::isCoarse($path);
        $full = $isCoarse ? Store::mesh("{$path}.full") : $work;
        $size ??= $light->result['sizeMm'] ?? MeshMeasures::of($work)->size();
        [$seen, $cone] = self::seen($light, $path);
        $exposure = Exposure::ofVertices($work, $seen, $cone);
        [$x, $y, $z] = $work->coordinates();
        $open = Openness::ofVertices($x, $y, $z, $work->corners(), $seen, LightRecord::DIRECTIONS, LightRecord::ROUND);
        $vertexOf = $isCoarse ? Store::ints("{$path}.vertexOf") : null;
        [$fullExposure, $fullOpen] = $vertexOf === null ? [$exposure, $open] : [array_map(static fn (int $v): float => $exposure[$v], $vertexOf), array_map(static fn (int $v): float => $open[$v], $vertexOf)];
        $edges = Adjacency::of($full);
        // Zones are those of light from a wide sky, however narrow the spray: an upright wall is a mid tone.
        $sky = Exposure::ofVertices($work, $seen, SprayCone::around($light->axis(), LightRecord::WIDEST, LightRecord::DIRECTIONS)->among($seen->directions));
        $zones = ZoneMap::of($full, $edges, $vertexOf === null ? $sky : array_map(static fn (int $v): float => $sky[$v], $vertexOf), $fullOpen, $size);
        $areaOf = Store::ints("{$path}.areas");
        Store::put("{$path}.exposure", Store::bytes($exposure));
        [$workZones, $workAreas] = $vertexOf === null ? [$zones->of, $areaOf] : self::onWorking($work, $full, $vertexOf, $zones->of, $areaOf);
        Store::put("{$path}.zones", implode('', array_map(chr(...), $workZones)));
        Store::putInts("{$path}.workAreas", $workAreas);
        $light->update(['result' => [
            'areas' => self::areas($full, $edges, $zones, $areaOf, $fullExposure, $fullOpen),
            'borders' => self::borders($full, $edges, $areaOf),
            'triangles' => $full->triangles(),
            'sizeMm' => $size,
        ]]);
    }

    public static function isCoarse(string $path): bool
    {
        return Storage::disk('local')->exists("{$path}.full.pos.gz");
    }

    /** @return array{Visibility, SprayCone} */
    private static function seen(LightRecord $light, string $path): array
    {
        $cone = SprayCone::around($light->axis(), LightRecord::WIDEST, LightRecord::DIRECTIONS);
        $directions = [...$cone->directions, ...Openness::directions(LightRecord::ROUND)];
        $bits = [];
        for ($word = 0; $word < intdiv(count($directions) + 63, 64); $word++) {
            $bits[] = Store::longs("{$path}.seen{$word}");
        }

        return [Visibility::known($directions, $bits), $cone->narrowedTo(min(LightRecord::WIDEST, $light->spread))->among($directions)];
    }

    /**
     * What a triangle of the full mesh is, for the one it became on the screen.
     *
     * @param  list<int>  $vertexOf
     * @param  list<int>  $zones
     * @param  list<int>  $areaOf
     * @return array{list<int>, list<int>}
     */
    private static function onWorking(TriangleMesh $work, TriangleMesh $full, array $vertexOf, array $zones, array $areaOf): array
    {
        $known = [];
        foreach (array_chunk($full->corners(), 3) as $t => $corners) {
            $c = array_map(static fn (int $v): int => $vertexOf[$v], $corners);
            sort($c);
            $known[implode(' ', $c)] ??= $t;
        }
        $workZones = $workAreas = [];
        foreach (array_chunk($work->corners(), 3) as $c) {
            sort($c);
            $t = $known[implode(' ', $c)] ?? 0;
            $workZones[] = $zones[$t];
            $workAreas[] = $areaOf[$t];
        }

        return [$workZones, $workAreas];
    }

    /**
     * @param  list<int>  $areaOf
     * @param  array<int, float>  $exposure
     * @param  array<int, float>  $open
     * @return list<LitArea>
     */
    private static function areas(TriangleMesh $mesh, Adjacency $edges, ZoneMap $zones, array $areaOf, array $exposure, array $open): array
    {
        $sums = [];
        foreach (array_chunk($mesh->corners(), 3) as $t => [$a, $b, $c]) {
            $mm2 = $edges->area[$t];
            $sums[$areaOf[$t]] ??= [0.0, 0.0, 0.0];
            $sums[$areaOf[$t]][0] += $mm2;
            $sums[$areaOf[$t]][1] += $mm2 * ($exposure[$a] + $exposure[$b] + $exposure[$c]) / 3;
            // No way out in any direction: no eye gets there either.
            $sums[$areaOf[$t]][2] += max($open[$a], $open[$b], $open[$c]) < 0.02 ? $mm2 : 0.0;
        }
        $shares = $zones->shares($edges->area, $areaOf);
        $areas = [];
        foreach ($sums as $id => [$mm2, $light, $hidden]) {
            $areas[] = ['areaId' => $id, 'cm2' => $mm2 / 100, 'exposure' => $light / max(1e-9, $mm2), 'hidden' => $hidden / max(1e-9, $mm2), 'shares' => $shares[$id]];
        }

        return $areas;
    }

    /**
     * @param  list<int>  $areaOf
     * @return list<LitBorder> between areas that have a name
     */
    private static function borders(TriangleMesh $mesh, Adjacency $edges, array $areaOf): array
    {
        $borders = [];
        foreach (Borders::of($mesh, $edges, Regions::given($areaOf)) as [$a, $b, $mm, $isCurved]) {
            if ($a !== 0 && $b !== 0) {
                $borders[] = ['areaId' => $a, 'otherId' => $b, 'mm' => $mm, 'isCurved' => $isCurved];
            }
        }

        return $borders;
    }
}

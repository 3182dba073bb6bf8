<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeshStore;
use App\Adapters\Light\Patience;
use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Light\Glow;
use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * How an area that shines - a lamp, a fire, an eye - lights what surrounds it.
 */
final class CastGlow
{
    /** Distance at which a surface that faces the lamp counts as fully lit, in radii of the lamp: own choice. */
    private const FULL_AT = 2.0;

    /**
     * What the lamp gives to every other area: the mean over each zone; and how far it reaches.
     *
     * @return array{areas: array<int, list<float|null>>, fullMm: float}|null by area, 0..1; null when the mesh shows none of the lamp
     */
    public function shares(LightRecord $light, int $areaId): ?array
    {
        $study = StoredStudy::of($light);
        $cast = $study === null ? null : $this->known($light, $study, $areaId);
        if ($study === null || $cast === null) {
            return null;
        }
        $areas = array_map(static fn (array $means): array => $means[1], $study->weights()->means($cast[0]));
        unset($areas[$areaId], $areas[0]);

        return ['areas' => $areas, 'fullMm' => self::FULL_AT * $cast[1]];
    }

    /**
     * @return string|null one byte a vertex of the working mesh, 255 for fully lit; null when the mesh shows none of the area
     */
    public function bytes(LightRecord $light, int $areaId): ?string
    {
        $study = StoredStudy::of($light);
        $cast = $study === null ? null : $this->known($light, $study, $areaId);

        return $cast === null ? null : MeshStore::bytes($cast[0]);
    }

    /**
     * Calculates it and keeps it as long as the areas stay as they are.
     *
     * @throws Stopped nothing is kept then
     */
    public function __invoke(LightRecord $light, int $areaId, ?Progress $progress = null): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || self::isKnown($study, $areaId)) {
            return;
        }
        $stamp = $study->stampOfAreas();
        $cast = self::cast($study, $areaId, $progress);
        if ($cast !== null) {
            MeshStore::putFloats("{$study->path}.glow{$areaId}", array_values($cast[0]), MeshStore::PLAIN);
        }
        MeshStore::put("{$study->path}.glow{$areaId}.of", json_encode([$stamp, $cast[1] ?? null], JSON_THROW_ON_ERROR));
    }

    /** Whether it is kept, for the areas as they are now. */
    public static function isKnown(StoredStudy $study, int $areaId): bool
    {
        return (self::kept($study, $areaId)[0] ?? null) === $study->stampOfAreas();
    }

    /** @return array{list<float>, float}|null 0..1 by vertex of the working mesh, and mm of the lamp's radius; null when the mesh shows none of the area, or it takes too long to be answered at once */
    private function known(LightRecord $light, StoredStudy $study, int $areaId): ?array
    {
        if (! self::isKnown($study, $areaId)) {
            if (Patience::endsAtShadows($study)) {
                return null;
            }
            $this($light, $areaId);
        }
        $radius = self::kept($study, $areaId)[1] ?? null;

        return $radius === null ? null : [MeshStore::floats("{$study->path}.glow{$areaId}"), $radius];
    }

    /** @return array{string, float|null}|null stamp of the areas it was calculated for, and mm of the lamp's radius, null where the mesh shows none of it */
    private static function kept(StoredStudy $study, int $areaId): ?array
    {
        $name = "{$study->path}.glow{$areaId}.of";
        /** @var array{string, float|int|null}|null $kept written by us */
        $kept = MeshStore::has($name) ? json_decode(MeshStore::get($name), true, 3, JSON_THROW_ON_ERROR) : null;

        return $kept === null ? null : [$kept[0], $kept[1] === null ? null : (float) $kept[1]];
    }

    /**
     * @return array{array<int, float>, float}|null 0..1 by vertex of the working mesh, and mm of the lamp's radius
     *
     * @throws Stopped
     */
    private static function cast(StoredStudy $study, int $areaId, ?Progress $progress): ?array
    {
        $mesh = $study->working();
        [$x, $y, $z] = $mesh->coordinates();
        $own = [];
        foreach ($study->workingAreas() as $t => $area) {
            if ($area === $areaId) {
                $own[] = $t;
            }
        }
        if ($own === []) {
            return null;
        }
        $corners = $mesh->corners();
        $vertices = [];
        foreach ($own as $t) {
            $vertices[$corners[3 * $t]] = $vertices[$corners[3 * $t + 1]] = $vertices[$corners[3 * $t + 2]] = true;
        }
        $vertices = array_keys($vertices);
        $middle = array_map(static fn (array $of): float => array_sum(array_map(static fn (int $v): float => $of[$v], $vertices)) / count($vertices), [$x, $y, $z]);
        $radius = max(array_map(static fn (int $v): float => sqrt(($x[$v] - $middle[0]) ** 2 + ($y[$v] - $middle[1]) ** 2 + ($z[$v] - $middle[2]) ** 2), $vertices));
        $glow = Glow::ofVertices($mesh, self::lamps([$middle[0], $middle[1], $middle[2]], $radius / 3), 1.05 * $radius, $progress);
        $full = (self::FULL_AT * max(1e-6, $radius)) ** 2;

        return [array_map(static fn (float $e): float => min(1.0, $e * $full), $glow), $radius];
    }

    /**
     * The lamp as six points around its middle: a single one would throw hard shadows.
     *
     * @param  array{float, float, float}  $m
     * @return list<array{float, float, float}>
     */
    private static function lamps(array $m, float $by): array
    {
        return [[$m[0] + $by, $m[1], $m[2]], [$m[0] - $by, $m[1], $m[2]], [$m[0], $m[1] + $by, $m[2]], [$m[0], $m[1] - $by, $m[2]], [$m[0], $m[1], $m[2] + $by], [$m[0], $m[1], $m[2] - $by]];
    }
}

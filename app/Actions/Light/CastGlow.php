<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeshStore;
use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Light\Glow;

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
        $cast = $study === null ? null : self::cast($study, $areaId);
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
    public function __invoke(LightRecord $light, int $areaId): ?string
    {
        $study = StoredStudy::of($light);
        $cast = $study === null ? null : self::cast($study, $areaId);

        return $cast === null ? null : MeshStore::bytes($cast[0]);
    }

    /** @return array{array<int, float>, float}|null 0..1 by vertex of the working mesh, and mm of the lamp's radius */
    private static function cast(StoredStudy $study, int $areaId): ?array
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
        $glow = Glow::ofVertices($mesh, self::lamps([$middle[0], $middle[1], $middle[2]], $radius / 3), 1.05 * $radius);
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

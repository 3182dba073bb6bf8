<?php

declare(strict_types=1);

namespace App\Actions;

use App\Adapters\Meshes\Store;
use App\Models\LightRecord;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\TriangleMesh;

/**
 * Gives part of a mesh to an area: all of one piece, what lies within creases, or what a brush touches.
 */
final class AssignArea
{
    /**
     * @param  array{float, float, float}  $at  point on the mesh, mm
     * @param  string  $tool  piece, crease or brush
     * @param  float  $size  degrees of the crease, or mm of the brush's radius
     * @param  int  $areaId  0 takes it away from every area
     * @return int triangles that changed
     */
    public function __invoke(LightRecord $light, array $at, string $tool, float $size, int $areaId): int
    {
        $path = (string) $light->path;
        $mesh = Store::mesh($path.(StudyLight::isCoarse($path) ? '.full' : '.work'));
        $areaOf = Store::ints("{$path}.areas");
        $changed = 0;
        foreach (self::touched($mesh, $at, $tool, $size) as $t) {
            $changed += $areaOf[$t] === $areaId ? 0 : 1;
            $areaOf[$t] = $areaId;
        }
        Store::putInts("{$path}.areas", $areaOf);
        StudyLight::weigh($light);

        return $changed;
    }

    /**
     * @param  array{float, float, float}  $at
     * @return list<int>
     */
    private static function touched(TriangleMesh $mesh, array $at, string $tool, float $size): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $nearest = 0;
        $least = INF;
        $within = [];
        for ($t = 0, $n = intdiv(count($corners), 3); $t < $n; $t++) {
            $d = 0.0;
            foreach ([$x, $y, $z] as $axis => $of) {
                $d += (($of[$corners[3 * $t]] + $of[$corners[3 * $t + 1]] + $of[$corners[3 * $t + 2]]) / 3 - $at[$axis]) ** 2;
            }
            if ($d < $least) {
                [$nearest, $least] = [$t, $d];
            }
            if ($d <= $size * $size) {
                $within[] = $t;
            }
        }

        return match ($tool) {
            'brush' => $within ?: [$nearest],
            'crease' => array_keys(Regions::grown(Adjacency::of($mesh), $nearest, $size)),
            default => self::piece($mesh, $corners, $nearest),
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

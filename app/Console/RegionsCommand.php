<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\CommandLine\Document;
use Hyalin\Formats\Meshes\PlyWriter;
use Hyalin\Light\LightStudy;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Borders;
use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\Division;
use Hyalin\Mesh\Nearest;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;

/**
 * A sculpt divided into areas, between seeds or by itself.
 */
final class RegionsCommand extends MeshCommand
{
    protected $signature = 'hyalin:regions {file : STL, OBJ or 3MF, in mm} {--up=z : x, y, z, -x, -y or -z; a division does not depend on it} {--seeds= : JSON, a list of {"at":[x,y,z],"area":n}; none for a proposal} {--out= : a PLY with the area of every triangle}';

    protected $description = 'Divides a sculpt into areas with borders in its creases';

    /** mm within which a border lies in a crease. */
    private const NEAR = 0.5;

    protected function answer(): void
    {
        $this->begin();
        $this->up();
        $seeds = $this->seeds();
        [$mesh, $measures] = $this->mesh();
        $coarse = LightStudy::coarser($mesh, $measures);
        [$working, $vertexOf] = [$coarse->mesh ?? $mesh, $coarse?->vertexOf];
        $curvature = Curvature::ofVertices($mesh, $vertexOf, $working);
        $division = Division::of(SurfaceGraph::of($working), $curvature, ZoneMap::tip($measures->size()));
        $at = [];
        foreach ($seeds as [$point, $area]) {
            $at[Nearest::vertex($working, $point)] = $area;
        }
        $labels = SurfaceGraph::onTriangles($mesh, $vertexOf, $seeds === [] ? $division->proposedWithNecks($working, $curvature) : $division->seeded($at));
        // What no seed reaches is no area, and is told as such: -1.
        $areaOf = array_map(static fn (?int $area): int => $area ?? -1, $labels);
        if ($this->out() !== null) {
            $this->write($this->out(), PlyWriter::plain()->withFaceInts('area', $areaOf)->write($mesh));
        }
        $edges = Adjacency::of($mesh);
        $counts = array_count_values(array_column($seeds, 1));
        $areas = [];
        foreach (Regions::given($areaOf)->areas($edges) as $area => $mm2) {
            $areas[] = ['area' => $area, 'areaMm2' => $mm2, 'seeds' => $counts[$area] ?? 0];
        }
        $this->put(['areas' => $areas, 'borders' => self::borders($mesh, $edges, $areaOf, $division->nearCreases(self::NEAR), $vertexOf), ...$this->spent()]);
    }

    /**
     * @param  list<int>  $areaOf  by triangle
     * @param  list<bool>  $near  whether a working vertex lies near a crease
     * @param  list<int>|null  $vertexOf
     * @return list<array{a: int, b: int, mm: float, concaveShare: float}> concaveShare 0..1 of the length
     */
    private static function borders(TriangleMesh $mesh, Adjacency $edges, array $areaOf, array $near, ?array $vertexOf): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $all = $concave = [];
        foreach ($edges->angle as $e => $_) {
            [$one, $two] = $edges->triangles($e);
            if ($areaOf[$one] !== $areaOf[$two]) {
                $pair = min($areaOf[$one], $areaOf[$two]).' '.max($areaOf[$one], $areaOf[$two]);
                [$p, $q] = $edges->ends($e);
                $mm = sqrt(($x[$p] - $x[$q]) ** 2 + ($y[$p] - $y[$q]) ** 2 + ($z[$p] - $z[$q]) ** 2);
                $all[$pair] = ($all[$pair] ?? 0.0) + $mm;
                $concave[$pair] = ($concave[$pair] ?? 0.0) + ($near[$vertexOf[$p] ?? $p] || $near[$vertexOf[$q] ?? $q] ? $mm : 0.0);
            }
        }

        return array_map(static fn (array $border): array => [
            'a' => $border[0], 'b' => $border[1], 'mm' => $border[2], 'concaveShare' => ($concave["{$border[0]} {$border[1]}"] ?? 0.0) / max(1e-12, $all["{$border[0]} {$border[1]}"] ?? 0.0),
        ], Borders::of($mesh, $edges, Regions::given($areaOf)));
    }

    /** @return list<array{array{float, float, float}, int}> */
    private function seeds(): array
    {
        $text = $this->option('seeds');
        if (! is_string($text) || trim($text) === '') {
            return [];
        }
        $rows = json_decode($text);
        if (! is_array($rows) || ! array_is_list($rows)) {
            throw BadInput::at('--seeds', 'it is no JSON list of {"at":[x,y,z],"area":n}');
        }

        return self::each($rows, 'seed', static function (Document $seed): array {
            $at = array_values(array_filter($seed->list('at'), static fn (mixed $n): bool => is_int($n) || is_float($n)));
            if (count($at) !== 3) {
                throw BadInput::at('at', 'three numbers are needed');
            }

            return [[(float) $at[0], (float) $at[1], (float) $at[2]], $seed->integer('area', 0)];
        });
    }
}

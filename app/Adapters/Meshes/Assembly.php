<?php

declare(strict_types=1);

namespace App\Adapters\Meshes;

use App\Models\Area;
use App\Models\Figure;
use App\Models\FigureMesh;
use App\Models\LightRecord;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;

/**
 * The print files of a figure put together as they stand on the finished piece, in mm; which area each triangle is, as
 * far as whole pieces tell it.
 */
final readonly class Assembly
{
    /** @param  list<int>  $areaOf  id of the area of each triangle, 0 for none yet */
    private function __construct(public TriangleMesh $mesh, public array $areaOf)
    {
    }

    /** @return self|null null when the figure has no mesh */
    public static function of(Figure $figure, LightRecord $light): ?self
    {
        $positions = $indices = '';
        $areaOf = [];
        foreach ($figure->meshes()->get() as $record) {
            $mesh = Store::mesh($record->path);
            $first = intdiv(strlen($positions), 12);
            $positions .= self::posed($mesh, $record, $light->axis());
            $indices .= self::shifted($mesh, $first, $record->pose['mirror'] ?? false);
            $areaOf = [...$areaOf, ...self::areas($figure, $record, $mesh)];
        }
        if ($indices === '') {
            return null;
        }
        $mesh = TriangleMesh::of($positions, $indices);

        return new self($light->height_mm === null ? $mesh : self::scaled($mesh, $light), $areaOf);
    }

    /** @return string what changes when another light must be computed */
    public static function signature(Figure $figure, LightRecord $light): string
    {
        return hash('sha256', (string) json_encode([
            $figure->meshes()->get()->map(static fn (FigureMesh $m): array => [$m->id, $m->path, $m->unit_mm, $m->pose])->all(), $light->up, $light->height_mm,
        ]));
    }

    /** @param  array{float, float, float}  $axis */
    private static function posed(TriangleMesh $mesh, FigureMesh $record, array $axis): string
    {
        $unit = $record->unit_mm;
        [$mx, $my, $mz] = $record->pose['move'] ?? [0.0, 0.0, 0.0];
        $turn = deg2rad($record->pose['turn'] ?? 0.0);
        $mirror = ($record->pose['mirror'] ?? false) ? -1.0 : 1.0;
        [$cos, $sin] = [cos($turn), sin($turn)];
        [$x, $y, $z] = $mesh->coordinates();
        $out = [];
        $bytes = '';
        foreach ($x as $v => $px) {
            $p = [$mirror * $px * $unit, $y[$v] * $unit, $z[$v] * $unit];
            $p = match (true) {
                $axis[2] !== 0.0 => [$cos * $p[0] - $sin * $p[1], $sin * $p[0] + $cos * $p[1], $p[2]],
                $axis[1] !== 0.0 => [$cos * $p[0] + $sin * $p[2], $p[1], -$sin * $p[0] + $cos * $p[2]],
                default => [$p[0], $cos * $p[1] - $sin * $p[2], $sin * $p[1] + $cos * $p[2]],
            };
            array_push($out, $p[0] + $mx, $p[1] + $my, $p[2] + $mz);
            if (count($out) >= 6144) {
                $bytes .= pack('g*', ...$out);
                $out = [];
            }
        }

        return $bytes.pack('g*', ...$out);
    }

    private static function shifted(TriangleMesh $mesh, int $first, bool $mirrored): string
    {
        $bytes = '';
        foreach ($mesh->chunks() as $corners) {
            $out = [];
            for ($i = 1, $n = count($corners); $i < $n; $i += 3) {
                // Mirrored, corners run the other way round.
                array_push($out, $corners[$i] + $first, $corners[$i + ($mirrored ? 2 : 1)] + $first, $corners[$i + ($mirrored ? 1 : 2)] + $first);
            }
            $bytes .= pack('V*', ...$out);
        }

        return $bytes;
    }

    /** @return list<int> */
    private static function areas(Figure $figure, FigureMesh $record, TriangleMesh $mesh): array
    {
        $own = $figure->areas()->where('part_id', $record->part_id)->get()->map(static fn (Area $a): int => $a->id)->all();
        // A part with one area is that area.
        $whole = $record->part_id !== null && count($own) === 1 ? (int) reset($own) : 0;
        $byShell = $record->shell_areas ?? [];
        if ($byShell === []) {
            return array_fill(0, $mesh->triangles(), $whole);
        }
        $shellOf = MeshMeasures::of($mesh)->shellOf;
        $areas = [];
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = count($corners); $i < $n; $i += 3) {
                $areas[] = $byShell[$shellOf[$corners[$i]]] ?? $whole;
            }
        }

        return $areas;
    }

    private static function scaled(TriangleMesh $mesh, LightRecord $light): TriangleMesh
    {
        $bounds = MeshMeasures::of($mesh)->boundsMm;
        $axis = array_search(true, array_map(static fn (float $a): bool => $a !== 0.0, $light->axis()), true);
        $high = $bounds[1][(int) $axis] - $bounds[0][(int) $axis];
        $by = $high > 0.0 ? (float) $light->height_mm / $high : 1.0;
        $bytes = '';
        for ($at = 0, $end = strlen($mesh->positions); $at < $end; $at += 24_576) {
            /** @var array<int, float> $f */
            $f = unpack('g*', substr($mesh->positions, $at, 24_576));
            $bytes .= pack('g*', ...array_map(static fn (float $v): float => $v * $by, array_values($f)));
        }

        return TriangleMesh::of($bytes, $mesh->indices);
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeshFile;
use App\Adapters\Light\MeshStore;
use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use App\Models\Light\FigureMesh;
use App\Models\NextNumber;
use Hyalin\Formats\Meshes\ReadMesh;
use Hyalin\InvalidInput;
use Hyalin\Mesh\Finding;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\NamedParts;
use Hyalin\Mesh\NearWeld;
use Hyalin\Mesh\PrintFindings;
use Hyalin\Mesh\TriangleMesh;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A print file onto a figure: read, taken apart into the objects it names, welded, measured.
 */
final class ImportMesh
{
    /** A model larger than this in its own numbers is hardly in inches, smaller than that hardly in mm. */
    private const LIKELY_MM = 4.0;

    /** Print files, and so parts, of a figure. */
    public const MOST = 40;

    /**
     * @param  string  $path  of the file
     * @param  string  $name  as the painter calls it
     * @param  string|null  $sha256  of its content
     * @return non-empty-list<FigureMesh> one for every object that the file names, each on the part of that name
     *
     * @throws InvalidInput when it cannot be read; nothing is kept then
     */
    public function __invoke(Figure $figure, string $path, string $name, ?int $partId, ?string $sha256 = null): array
    {
        $read = MeshFile::read($path, $name);
        $objects = array_unique(array_column($read->objects, 0));
        // A format that states its unit is in mm already.
        $unitMm = $read->unitMm === null && MeshMeasures::of($read->mesh)->size() < self::LIKELY_MM ? 25.4 : 1.0;
        $title = Str::limit(pathinfo($name, PATHINFO_FILENAME), 80, '') ?: 'Mesh';
        if (count($objects) < 2) {
            return [self::keep($figure, $read->mesh, $read, $unitMm, $title, $partId, $sha256)];
        }
        if (count($objects) + $figure->meshes()->count() > self::MOST) {
            // Groups of materials or smoothing are no parts.
            return [self::keep($figure, $read->mesh, $read, $unitMm, $title, $partId, $sha256, [count($objects).' named objects in it: too many to be parts, so they stay together.'])];
        }

        return DB::transaction(static function () use ($figure, $read, $unitMm, $title, $sha256): array {
            $kept = [];
            foreach (NamedParts::of($read->mesh, $read->objects) as $object => $mesh) {
                $called = Str::limit((string) $object, 80, '') ?: $title;
                $part = $figure->parts()->where('name', $called)->first();
                if ($part === null) {
                    $part = new Part(['name' => $called]);
                    $part->position = NextNumber::of($figure->parts(), 'position');
                    $figure->parts()->save($part);
                }
                $kept[] = self::keep($figure, $mesh, $read, $unitMm, $called, $part->id, $sha256);
            }

            return $kept === [] ? throw new \LogicException('a mesh with objects has one') : $kept;
        });
    }

    /**
     * @param  float  $unitMm  what one unit of the file is
     * @param  list<string>  $remarks
     */
    private static function keep(Figure $figure, TriangleMesh $mesh, ReadMesh $read, float $unitMm, string $title, ?int $partId, ?string $sha256, array $remarks = []): FigureMesh
    {
        [$mesh, $measures] = NearWeld::measured($mesh);
        $kept = 'meshes/'.Str::ulid()->toBase32();
        MeshStore::putMesh($kept, $mesh);

        return $figure->meshes()->create([
            'part_id' => $partId,
            'title' => $title,
            'path' => $kept,
            'sha256' => $sha256,
            'triangles' => $mesh->triangles(),
            'unit_mm' => $unitMm,
            'measures' => [
                ...self::measured($mesh, $measures, $unitMm),
                'degenerate' => $read->degenerate,
                'remarks' => [...$read->remarks, ...$remarks, ...self::remarks($measures, $read, $mesh->triangles(), $unitMm)],
            ],
        ]);
    }

    /**
     * @param  float  $unitMm  of one unit of the mesh
     * @param  bool  $hadSupports  they were left out of it
     * @return array{areaMm2: float, volumeMm3: float, boundsMm: array{array{float, float, float}, array{float, float, float}}, shells: int, openEdges: int, inconsistentEdges: int, findings: list<array{kind: string, count: int, area: float}>}
     */
    public static function measured(TriangleMesh $mesh, MeshMeasures $measures, float $unitMm, bool $hadSupports = false): array
    {
        return [
            'areaMm2' => $measures->areaMm2,
            'volumeMm3' => $measures->volumeMm3,
            'boundsMm' => $measures->boundsMm,
            'shells' => $measures->shells,
            'openEdges' => $measures->openEdges,
            'inconsistentEdges' => $measures->inconsistentEdges,
            'findings' => array_map(static fn (Finding $f): array => ['kind' => $f->kind->value, 'count' => $f->count, 'area' => $f->area], PrintFindings::of($mesh, $measures, $unitMm, $hadSupports)),
        ];
    }

    /** @return list<string> what is wrong, and whether it matters for painting */
    private static function remarks(MeshMeasures $measures, ReadMesh $read, int $triangles, float $unitMm): array
    {
        $remarks = [];
        if ($read->unitMm === null && $unitMm !== 1.0) {
            $remarks[] = sprintf('Its longest side is %.2f in its own numbers: taken for inches, %.0f mm. Choose another unit if it is not.', $measures->size(), $measures->size() * $unitMm);
        }
        if ($measures->openEdges > 0) {
            $remarks[] = "{$measures->openEdges} open edges: it has holes. Light and areas are still right; its volume is not.";
        }
        if ($measures->inconsistentEdges > 0) {
            $remarks[] = "{$measures->inconsistentEdges} edges where neighbouring faces point opposite ways: light may be missing there.";
        }
        if ($read->degenerate > 0) {
            $remarks[] = "{$read->degenerate} triangles without area were ignored. This does no harm.";
        }
        if ($triangles > 1_000_000) {
            $remarks[] = 'More than a million triangles: lighting takes a while.';
        }

        return $remarks;
    }
}

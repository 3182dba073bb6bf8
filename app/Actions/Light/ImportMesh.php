<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeshFile;
use App\Adapters\Light\MeshStore;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use Hyalin\InvalidInput;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\NearWeld;
use Illuminate\Support\Str;

/**
 * A print file onto a figure: read, welded, measured.
 */
final class ImportMesh
{
    /** A model larger than this in its own numbers is hardly in inches, smaller than that hardly in mm. */
    private const LIKELY_MM = 4.0;

    /**
     * @param  string  $path  of the file
     * @param  string  $name  as the painter calls it
     *
     * @throws InvalidInput when it cannot be read; nothing is kept then
     */
    public function __invoke(Figure $figure, string $path, string $name, ?int $partId): FigureMesh
    {
        $read = MeshFile::read($path, $name);
        $measures = MeshMeasures::of($read->mesh);
        $mesh = $read->mesh;
        if ($measures->openEdges > 0) {
            $mesh = NearWeld::of($mesh, $measures);
            $measures = MeshMeasures::of($mesh);
        }
        $kept = 'meshes/'.Str::ulid()->toBase32();
        MeshStore::putMesh($kept, $mesh);

        return $figure->meshes()->create([
            'part_id' => $partId,
            'title' => Str::limit(pathinfo($name, PATHINFO_FILENAME), 80, '') ?: 'Mesh',
            'path' => $kept,
            'triangles' => $mesh->triangles(),
            // A format that states its unit is in mm already.
            'unit_mm' => $read->unitMm === null && $measures->size() < self::LIKELY_MM ? 25.4 : 1.0,
            'measures' => [
                'areaMm2' => $measures->areaMm2, 'volumeMm3' => $measures->volumeMm3, 'boundsMm' => $measures->boundsMm, 'shells' => $measures->shells,
                'openEdges' => $measures->openEdges, 'inconsistentEdges' => $measures->inconsistentEdges, 'degenerate' => $read->degenerate,
                'remarks' => [...$read->remarks, ...self::remarks($measures, $read->degenerate, $mesh->triangles())],
            ],
        ]);
    }

    /** @return list<string> what is wrong, and whether it matters for painting */
    private static function remarks(MeshMeasures $measures, int $degenerate, int $triangles): array
    {
        $remarks = [];
        if ($measures->openEdges > 0) {
            $remarks[] = "{$measures->openEdges} open edges: it has holes. Light and areas are still right; its volume is not.";
        }
        if ($measures->inconsistentEdges > 0) {
            $remarks[] = "{$measures->inconsistentEdges} edges where neighbouring faces point opposite ways: light may be missing there.";
        }
        if ($measures->openEdges === 0 && $measures->volumeMm3 < 0) {
            $remarks[] = 'It is inside out: no light falls on it until its faces are flipped in the program it was made with.';
        }
        if ($degenerate > 0) {
            $remarks[] = "{$degenerate} triangles without area were ignored. This does no harm.";
        }
        if ($triangles > 1_000_000) {
            $remarks[] = 'More than a million triangles: lighting takes a while.';
        }

        return $remarks;
    }
}

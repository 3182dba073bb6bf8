<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Light\FigureMesh;
use Hyalin\Mesh\Decimation;
use Hyalin\Mesh\MeshMeasures;

/**
 * A print file as the screen shows it before any light is known: coarse, in units of its file, kept beside it.
 */
final class BareMesh
{
    /** Triangles of a part: forty of them are still turned smoothly. */
    private const MOST = 30_000;

    /** @return string counts, positions, corners: the beginning of what docs/formats.md says of a lit mesh */
    public static function of(FigureMesh $record): string
    {
        $path = "{$record->path}.bare";
        if (! MeshStore::has($path)) {
            $mesh = MeshStore::mesh($record->path);
            if ($mesh->triangles() > self::MOST) {
                $mesh = Decimation::of($mesh, MeshMeasures::of($mesh), self::MOST)->mesh;
            }
            MeshStore::put($path, pack('V2', $mesh->vertices(), $mesh->triangles()).$mesh->positions.$mesh->indices);
        }

        return MeshStore::get($path);
    }
}

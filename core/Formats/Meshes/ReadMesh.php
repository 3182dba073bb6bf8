<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\Mesh\TriangleMesh;

/**
 * A mesh as it was read, with what was noticed.
 */
final readonly class ReadMesh
{
    /**
     * @param  int  $degenerate  triangles without area that were left out
     * @param  float|null  $unitMm  what one unit of the file is, where the format says it; coordinates are in mm then
     * @param  list<string>  $remarks  in plain words
     * @param  list<array{string, int}>  $objects  that the file names, with how many triangles each adds, in their order; a name may
     *                                             come again; empty where it names none
     */
    public function __construct(public TriangleMesh $mesh, public int $degenerate, public ?float $unitMm = null, public array $remarks = [], public array $objects = [])
    {
    }
}

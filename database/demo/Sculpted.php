<?php

declare(strict_types=1);

namespace Database\Demo;

use Database\Demo\Sculpt\Sculpt;
use Database\Demo\Sculpt\SurfaceNets;
use Hyalin\Mesh\TriangleMesh;

/**
 * The print files of a sculpt: the mesh of each part, and the area of each of its triangles.
 */
final readonly class Sculpted
{
    /** @param  array<string, array{TriangleMesh, list<string>}>  $parts  by name: mesh, and the area of each triangle */
    private function __construct(public array $parts)
    {
    }

    public static function of(Sculpt $sculpt): self
    {
        $parts = [];
        foreach ($sculpt->parts() as $name => $body) {
            [$mesh, $areas] = SurfaceNets::of($body, $sculpt->cell());
            $parts[$name] = [$mesh, array_map(static fn (int $area): string => $body->areas[$area], $areas)];
        }

        return new self($parts);
    }

    /** @return array{TriangleMesh, list<string>} all parts as they stand together, and the area of each triangle */
    public function together(): array
    {
        $positions = $indices = '';
        $areas = [];
        foreach ($this->parts as [$mesh, $areaOf]) {
            $first = intdiv(strlen($positions), 12);
            $positions .= $mesh->positions;
            foreach (array_chunk($mesh->corners(), 3 * TriangleMesh::CHUNK) as $corners) {
                $indices .= pack('V*', ...array_map(static fn (int $c): int => $c + $first, $corners));
            }
            $areas = [...$areas, ...$areaOf];
        }

        return [TriangleMesh::of($positions, $indices), $areas];
    }
}

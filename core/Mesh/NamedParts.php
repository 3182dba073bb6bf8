<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A mesh taken apart into the objects that its file names.
 */
final class NamedParts
{
    /**
     * @param  list<array{string, int}>  $objects  name and number of triangles, one after the other; a name may come again
     * @return array<string, TriangleMesh> by name, each with its own vertices, where it stood
     */
    public static function of(TriangleMesh $mesh, array $objects): array
    {
        $indices = [];
        $at = 0;
        foreach ($objects as [$name, $count]) {
            $indices[$name] = ($indices[$name] ?? '').\substr($mesh->indices, $at, 12 * $count);
            $at += 12 * $count;
        }
        $parts = [];
        foreach ($indices as $name => $own) {
            if ($own !== '') {
                $parts[$name] = self::part($mesh, $own);
            }
        }

        return $parts;
    }

    private static function part(TriangleMesh $mesh, string $indices): TriangleMesh
    {
        $known = [];
        $positions = $out = '';
        foreach (TriangleMesh::of($mesh->positions, $indices)->chunks() as $corners) {
            $own = [];
            foreach ($corners as $v) {
                if (! isset($known[$v])) {
                    $known[$v] = \count($known);
                    $positions .= \substr($mesh->positions, 12 * $v, 12);
                }
                $own[] = $known[$v];
            }
            $out .= \pack('V*', ...$own);
        }

        return TriangleMesh::of($positions, $out);
    }
}

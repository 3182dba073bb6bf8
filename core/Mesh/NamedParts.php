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
                $parts[$name] = $mesh->only($own);
            }
        }

        return $parts;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

/**
 * Whether a file can be a mesh, by its first bytes and its size: what is none is refused before the rest of it is sent.
 */
final class MeshHead
{
    /**
     * @param  string  $head  the first bytes, a few thousand of them or all
     * @param  int  $size  of the whole file, bytes
     * @param  string  $name  its ending tells an OBJ that begins with no keyword
     *
     * @throws UnreadableMesh
     */
    public static function check(string $head, int $size, string $name): void
    {
        if (str_starts_with($head, "PK\x03\x04")) {
            return;
        }
        if (strtolower(pathinfo($name, PATHINFO_EXTENSION)) !== 'obj') {
            StlReader::check($head, $size);
        } elseif (preg_match('/[\x00-\x08\x0E-\x1F]/', $head) === 1) {
            throw UnreadableMesh::unknown();
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use Hyalin\Formats\Meshes\ObjReader;
use Hyalin\Formats\Meshes\ReadMesh;
use Hyalin\Formats\Meshes\StlReader;
use Hyalin\Formats\Meshes\ThreeMfReader;
use Hyalin\Formats\Meshes\UnreadableMesh;
use ZipArchive;

/**
 * A mesh from a file: what it is, its content tells; a name may lie.
 */
final class MeshFile
{
    private const MOST_FILES = 2000;

    /**
     * @param  string  $name  as the painter knows it; its ending tells an OBJ that begins with no keyword
     *
     * @throws UnreadableMesh
     * @throws \Hyalin\Mesh\InvalidMesh
     */
    public static function read(string $path, string $name): ReadMesh
    {
        $stream = fopen($path, 'rb');
        $size = filesize($path);
        if ($stream === false || $size === false || $size === 0) {
            throw UnreadableMesh::unknown();
        }
        $head = (string) fread($stream, 4);
        rewind($stream);
        if ($head === "PK\x03\x04") {
            return self::package($path);
        }
        $source = new FileSource($stream, $size);

        return strtolower(pathinfo($name, PATHINFO_EXTENSION)) === 'obj' ? ObjReader::read($source) : StlReader::read($source);
    }

    private static function package(string $path): ReadMesh
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true || $zip->numFiles > self::MOST_FILES) {
            throw UnreadableMesh::unknown();
        }
        for ($n = 0; $n < $zip->numFiles; $n++) {
            $name = (string) $zip->getNameIndex($n);
            if (strtolower(pathinfo($name, PATHINFO_EXTENSION)) === 'model') {
                $stat = $zip->statIndex($n);
                $size = is_array($stat) ? $stat['size'] : 0;
                if ($size > ThreeMfReader::MOST_BYTES) {
                    throw UnreadableMesh::tooLarge($size, ThreeMfReader::MOST_BYTES);
                }
                $stream = $zip->getStream($name);
                if ($stream !== false) {
                    return ThreeMfReader::read(new FileSource($stream, $size));
                }
            }
        }
        throw UnreadableMesh::noTriangles('3MF');
    }
}

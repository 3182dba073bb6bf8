<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\Colour\Srgb;
use Hyalin\Mesh\TriangleMesh;

/**
 * PLY, binary little-endian (G. Turk, The PLY polygon file format, 1994), with one number for every
 * vertex, and its colour where it has one.
 */
final class PlyWriter
{
    /**
     * @param  array<int, float>  $values  by vertex
     * @param  string  $name  of the property they are written as
     * @param  array<int, Srgb>|null  $colours  by vertex
     */
    public static function write(TriangleMesh $mesh, array $values, string $name = 'exposure', ?array $colours = null): string
    {
        $out = implode("\n", [
            'ply', 'format binary_little_endian 1.0', 'comment written by Hyalin, mm',
            'element vertex '.$mesh->vertices(), 'property float x', 'property float y', 'property float z', "property float {$name}",
            ...($colours === null ? [] : ['property uchar red', 'property uchar green', 'property uchar blue']),
            'element face '.$mesh->triangles(), 'property list uchar int vertex_indices', 'end_header', '',
        ]);
        foreach ($values as $v => $value) {
            $out .= substr($mesh->positions, 12 * $v, 12).pack('g', $value).($colours === null ? '' : pack('C3', ...$colours[$v]->toBytes()));
        }
        for ($at = 0, $end = strlen($mesh->indices); $at < $end; $at += 12) {
            $out .= "\x03".substr($mesh->indices, $at, 12);
        }

        return $out;
    }
}

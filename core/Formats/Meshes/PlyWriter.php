<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\Colour\Srgb;
use Hyalin\Mesh\TriangleMesh;

/**
 * PLY, binary little-endian (G. Turk, The PLY polygon file format, 1994), with numbers for every vertex or every triangle.
 */
final readonly class PlyWriter
{
    /** Types of PLY by the code of pack that writes them. */
    private const TYPES = ['g' => 'float', 'C' => 'uchar', 'V' => 'int'];

    /**
     * @param  list<array{string, string, array<int, float|int>}>  $vertex  name, code and value by vertex, of each property
     * @param  list<array{string, string, array<int, float|int>}>  $face  alike, by triangle
     */
    private function __construct(private array $vertex = [], private array $face = [])
    {
    }

    public static function plain(): self
    {
        return new self();
    }

    /**
     * @param  string  $name  of the property they are written as
     * @param  array<int, float>  $values  by vertex
     */
    public function withFloats(string $name, array $values): self
    {
        return new self([...$this->vertex, [$name, 'g', $values]], $this->face);
    }

    /** @param  array<int, int>  $values  0..255 by vertex */
    public function withBytes(string $name, array $values): self
    {
        return new self([...$this->vertex, [$name, 'C', $values]], $this->face);
    }

    /** @param  array<int, Srgb>  $colours  by vertex */
    public function withColours(array $colours): self
    {
        $bytes = array_map(static fn (Srgb $colour): array => $colour->toBytes(), $colours);

        return $this->withBytes('red', array_column($bytes, 0))->withBytes('green', array_column($bytes, 1))->withBytes('blue', array_column($bytes, 2));
    }

    /** @param  array<int, int>  $values  by triangle */
    public function withFaceInts(string $name, array $values): self
    {
        return new self($this->vertex, [...$this->face, [$name, 'V', $values]]);
    }

    public function write(TriangleMesh $mesh): string
    {
        $out = implode("\n", [
            'ply', 'format binary_little_endian 1.0', 'comment written by Hyalin, mm',
            'element vertex '.$mesh->vertices(), 'property float x', 'property float y', 'property float z', ...self::declared($this->vertex),
            'element face '.$mesh->triangles(), 'property list uchar int vertex_indices', ...self::declared($this->face), 'end_header', '',
        ]);
        for ($v = 0, $n = $mesh->vertices(); $v < $n; $v++) {
            $out .= substr($mesh->positions, 12 * $v, 12);
            foreach ($this->vertex as [, $code, $values]) {
                $out .= pack($code, $values[$v]);
            }
        }
        for ($t = 0, $n = $mesh->triangles(); $t < $n; $t++) {
            $out .= "\x03".substr($mesh->indices, 12 * $t, 12);
            foreach ($this->face as [, $code, $values]) {
                $out .= pack($code, $values[$t]);
            }
        }

        return $out;
    }

    /**
     * @param  list<array{string, string, array<int, float|int>}>  $properties
     * @return list<string>
     */
    private static function declared(array $properties): array
    {
        return array_map(static fn (array $property): string => 'property '.self::TYPES[$property[1]].' '.$property[0], $properties);
    }
}

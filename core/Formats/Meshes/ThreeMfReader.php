<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\Formats\ByteSource;
use Hyalin\Mesh\MeshBuilder;

/**
 * The model part of a 3MF package (3MF Core Specification 1.3): objects, components, transforms and the unit. The XML is
 * pushed through a parser part by part; document types are refused.
 */
final class ThreeMfReader
{
    public const MOST_BYTES = 400_000_000;

    private const DEEPEST = 16;

    private const UNITS = ['micron' => 0.001, 'millimeter' => 1.0, 'centimeter' => 10.0, 'inch' => 25.4, 'foot' => 304.8, 'meter' => 1000.0];

    private const PART = 65_536;

    /** Objects placed, each time one is: components of components multiply. */
    private const MOST_PLACED = 20_000;

    private const MOST_VERTICES = 6_000_000;

    private float $unit = 1.0;

    /** @var array<int, array{list<float>, list<int>, list<array{int, list<float>}>}> coordinates, corners, components of each object */
    private array $objects = [];

    /** @var list<array{int, list<float>}> */
    private array $items = [];

    /** @var array<int, string> by object */
    private array $names = [];

    private int $object = 0;

    private int $vertices = 0;

    private int $declared = 0;

    private int $placed = 0;

    private int $placedVertices = 0;

    private ?UnreadableMesh $fault = null;

    private \XMLParser $parser;

    private function __construct()
    {
        $this->parser = xml_parser_create_ns('UTF-8', '|');
        xml_parser_set_option($this->parser, XML_OPTION_CASE_FOLDING, 0);
        xml_set_element_handler($this->parser, $this->open(...), static function (): void {
        });
    }

    /**
     * @param  ByteSource  $model  the model part, unpacked
     *
     * @throws UnreadableMesh
     * @throws \Hyalin\Mesh\InvalidMesh
     */
    public static function read(ByteSource $model): ReadMesh
    {
        return (new self)->parsed($model);
    }

    private function parsed(ByteSource $model): ReadMesh
    {
        $bytes = $long = 0;
        do {
            $part = $model->read(self::PART);
            $bytes += strlen($part);
            if ($bytes > self::MOST_BYTES) {
                throw UnreadableMesh::tooLarge($bytes, self::MOST_BYTES);
            }
            // No element is so long: a parser would hold all its attributes before it tells of the first.
            $long = str_contains($part, '>') || $part === '' ? 0 : $long + 1;
            if ($long > 1) {
                throw UnreadableMesh::badXml(xml_get_current_line_number($this->parser), 'an element is longer than 64 kB');
            }
            // Declared before the first element, and only there.
            if ($bytes === strlen($part) && preg_match('/<!(DOCTYPE|ENTITY)/i', $part) === 1) {
                throw UnreadableMesh::badXml(1, 'a document type is not allowed');
            }
            $ok = xml_parse($this->parser, $part, $part === '');
            if ($this->fault !== null) {
                throw $this->fault;
            }
            if ($ok !== 1) {
                throw UnreadableMesh::badXml(xml_get_current_line_number($this->parser), lcfirst((string) xml_error_string(xml_get_error_code($this->parser))));
            }
        } while ($part !== '');

        return $this->built();
    }

    /** @param  array<string, string>  $with */
    private function open(mixed $parser, string $name, array $with): void
    {
        if ($this->fault !== null) {
            return;
        }
        try {
            match (substr((string) strrchr('|'.$name, '|'), 1)) {
                'model' => $this->unit = self::UNITS[$with['unit'] ?? 'millimeter'] ?? throw $this->bad('the unit is "'.mb_scrub($with['unit']).'"'),
                'object' => $this->object($with),
                'vertex' => $this->vertex($with),
                'triangle' => $this->triangle($with),
                'component' => $this->component($with),
                'item' => $this->item($with),
                default => null,
            };
        } catch (UnreadableMesh $e) {
            // Thrown through the parser it would be lost in some versions of it.
            $this->fault = $e;
        }
    }

    /** @param  array<string, string>  $with */
    private function object(array $with): void
    {
        $this->declared();
        $this->object = $this->number($with, 'id');
        $this->objects[$this->object] = [[], [], []];
        $this->names[$this->object] = mb_strcut(trim(mb_scrub($with['name'] ?? '')), 0, 255);
    }

    /** @param  array<string, string>  $with */
    private function item(array $with): void
    {
        $this->declared();
        $this->items[] = [$this->number($with, 'objectid'), $this->transform($with)];
    }

    /** @param  array<string, string>  $with */
    private function component(array $with): void
    {
        $this->declared();
        $this->objects[$this->object][2][] = [$this->number($with, 'objectid'), $this->transform($with)];
    }

    private function declared(): void
    {
        if (++$this->declared > self::MOST_PLACED) {
            throw $this->bad('more than '.self::MOST_PLACED.' objects, components and items');
        }
    }

    /** @param  array<string, string>  $with */
    private function vertex(array $with): void
    {
        if (++$this->vertices > self::MOST_VERTICES) {
            throw $this->bad('more than '.self::MOST_VERTICES.' vertices');
        }
        foreach (['x', 'y', 'z'] as $axis) {
            if (! is_numeric($with[$axis] ?? null)) {
                throw $this->bad("a vertex has no number for {$axis}");
            }
            $this->objects[$this->object][0][] = (float) $with[$axis];
        }
    }

    /** @param  array<string, string>  $with */
    private function triangle(array $with): void
    {
        foreach (['v1', 'v2', 'v3'] as $corner) {
            $this->objects[$this->object][1][] = $this->number($with, $corner);
        }
        if (count($this->objects[$this->object][1]) > 3 * MeshBuilder::MOST_TRIANGLES) {
            throw $this->bad('more than '.MeshBuilder::MOST_TRIANGLES.' triangles');
        }
    }

    /** @param  array<string, string>  $with */
    private function number(array $with, string $key): int
    {
        return preg_match('/^\d{1,9}\z/', $with[$key] ?? '') === 1 ? (int) $with[$key] : throw $this->bad("{$key} is no number");
    }

    /**
     * @param  array<string, string>  $with
     * @return list<float> twelve: rows of a matrix that a row of coordinates is multiplied with
     */
    private function transform(array $with): array
    {
        if (! isset($with['transform'])) {
            return [1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0];
        }
        $words = preg_split('/\s+/', trim($with['transform'])) ?: [];
        if (count($words) !== 12 || array_filter($words, static fn (string $w): bool => ! is_numeric($w)) !== []) {
            throw $this->bad('a transform has twelve numbers');
        }

        return array_map(floatval(...), $words);
    }

    private function bad(string $why): UnreadableMesh
    {
        return UnreadableMesh::badXml(xml_get_current_line_number($this->parser), $why);
    }

    private function built(): ReadMesh
    {
        $builder = new MeshBuilder;
        $objects = [];
        foreach ($this->items as $n => [$id, $transform]) {
            $before = $builder->triangles();
            $this->place($builder, $id, [$transform], 0);
            $name = ($this->names[$id] ?? '') === '' ? 'Object '.($n + 1) : $this->names[$id];
            $objects[] = [$name, $builder->triangles() - $before];
        }
        if ($this->items === []) {
            throw UnreadableMesh::noTriangles('3MF');
        }

        $all = $builder->triangles();
        $mesh = $builder->meshOfOnce();

        return new ReadMesh($mesh, $builder->degenerate, $this->unit, $builder->remarks(), objects: $mesh->triangles() === $all ? $objects : []);
    }

    /** @param  non-empty-list<list<float>>  $transforms  innermost last */
    private function place(MeshBuilder $builder, int $id, array $transforms, int $deep): void
    {
        [$coordinates, $corners, $components] = $this->objects[$id] ?? throw UnreadableMesh::badXml(0, "there is no object {$id}");
        if (++$this->placed > self::MOST_PLACED) {
            throw UnreadableMesh::badXml(0, 'more than '.self::MOST_PLACED.' objects are placed');
        }
        $this->placedVertices += intdiv(count($coordinates), 3);
        if ($this->placedVertices > self::MOST_VERTICES) {
            throw UnreadableMesh::badXml(0, 'more than '.self::MOST_VERTICES.' vertices are placed');
        }
        if ($deep > self::DEEPEST) {
            throw UnreadableMesh::badXml(0, 'components lie more than '.self::DEEPEST.' deep, or within themselves');
        }
        $vertices = [];
        for ($v = 0, $n = count($coordinates); $v < $n; $v += 3) {
            $vertices[] = $builder->vertex($this->placed([$coordinates[$v], $coordinates[$v + 1], $coordinates[$v + 2]], $transforms));
        }
        // Mirrored parts run the other way round.
        $mirrored = array_product(array_map(self::determinant(...), $transforms)) < 0;
        for ($t = 0, $n = count($corners); $t < $n; $t += 3) {
            $p = $this->corner($vertices, $corners[$t], $id);
            $q = $this->corner($vertices, $corners[$t + ($mirrored ? 2 : 1)], $id);
            $r = $this->corner($vertices, $corners[$t + ($mirrored ? 1 : 2)], $id);
            $builder->triangle($p, $q, $r);
        }
        foreach ($components as [$part, $transform]) {
            $this->place($builder, $part, [...$transforms, $transform], $deep + 1);
        }
    }

    /** @param  list<int>  $vertices */
    private function corner(array $vertices, int $index, int $id): int
    {
        return $vertices[$index] ?? throw UnreadableMesh::badXml(0, "object {$id} has no vertex {$index}");
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  non-empty-list<list<float>>  $transforms
     * @return array{float, float, float} mm
     */
    private function placed(array $p, array $transforms): array
    {
        foreach (array_reverse($transforms) as $m) {
            $p = [
                $p[0] * $m[0] + $p[1] * $m[3] + $p[2] * $m[6] + $m[9],
                $p[0] * $m[1] + $p[1] * $m[4] + $p[2] * $m[7] + $m[10],
                $p[0] * $m[2] + $p[1] * $m[5] + $p[2] * $m[8] + $m[11],
            ];
        }

        return [$p[0] * $this->unit, $p[1] * $this->unit, $p[2] * $this->unit];
    }

    /** @param  list<float>  $m */
    private static function determinant(array $m): float
    {
        return $m[0] * ($m[4] * $m[8] - $m[5] * $m[7]) - $m[1] * ($m[3] * $m[8] - $m[5] * $m[6]) + $m[2] * ($m[3] * $m[7] - $m[4] * $m[6]);
    }
}

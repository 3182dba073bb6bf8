<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\Formats\ByteSource;
use Hyalin\Mesh\MeshBuilder;

/**
 * Wavefront OBJ: vertices, faces, and the names of objects and groups; colours, normals, textures and materials are passed
 * over. Faces of more corners are cut into a fan.
 */
final class ObjReader
{
    public const MOST_BYTES = 160_000_000;

    private const MOST_VERTICES = 6_000_000;

    private const MOST_OBJECTS = 50_000;

    /** A line that goes on after backslashes. */
    private const LONGEST = 1_048_576;

    /**
     * @throws UnreadableMesh
     * @throws \Hyalin\Mesh\InvalidMesh
     */
    public static function read(ByteSource $source): ReadMesh
    {
        if ($source->size() > self::MOST_BYTES) {
            throw UnreadableMesh::tooLarge($source->size(), self::MOST_BYTES);
        }
        $builder = new MeshBuilder;
        $vertices = [];
        $faces = 0;
        $objects = [];
        $whole = '';
        foreach (Lines::of('', $source) as $number => $line) {
            // A line may go on after a backslash.
            if (str_ends_with($line, '\\')) {
                $whole .= substr($line, 0, -1).' ';
                if (strlen($whole) > self::LONGEST) {
                    throw UnreadableMesh::badLine('OBJ', $number, 'the line goes on for more than a million letters');
                }

                continue;
            }
            $line = ltrim($whole.$line);
            $whole = '';
            if (str_starts_with($line, 'v ') || str_starts_with($line, "v\t")) {
                $vertices[] = $builder->vertex(self::point($line, $number));
                if (count($vertices) > self::MOST_VERTICES) {
                    throw UnreadableMesh::badLine('OBJ', $number, 'more than '.self::MOST_VERTICES.' vertices');
                }
            } elseif (str_starts_with($line, 'f ') || str_starts_with($line, "f\t")) {
                self::face($line, $number, $vertices, $builder);
                $faces++;
            } elseif (preg_match('/^[og]\s+(\S.*?)\s*$/', $line, $of) === 1) {
                if (count($objects) >= self::MOST_OBJECTS) {
                    throw UnreadableMesh::badLine('OBJ', $number, 'more than '.self::MOST_OBJECTS.' objects and groups');
                }
                $objects[] = [mb_strcut(mb_scrub($of[1]), 0, 255), $builder->triangles()];
            } elseif ($number === 1 && preg_match('/[\x00-\x08\x0E-\x1F]/', $line) === 1) {
                throw UnreadableMesh::unknown();
            }
        }
        if ($faces === 0) {
            throw UnreadableMesh::noTriangles('OBJ');
        }

        $all = $builder->triangles();
        $mesh = $builder->meshOfOnce();

        return new ReadMesh($mesh, $builder->degenerate, remarks: $builder->remarks(), objects: $mesh->triangles() === $all ? self::counted($objects, $all) : []);
    }

    /**
     * @param  list<array{string, int}>  $begun  names, and how many triangles there were before each
     * @return list<array{string, int}> names, and how many each has
     */
    private static function counted(array $begun, int $all): array
    {
        $objects = [];
        foreach ([['', 0], ...$begun] as $n => [$name, $from]) {
            $count = ($begun[$n][1] ?? $all) - $from;
            if ($count > 0) {
                $objects[] = [$name, $count];
            }
        }

        return $objects;
    }

    /** @return array{float, float, float} */
    private static function point(string $line, int $number): array
    {
        $words = preg_split('/\s+/', trim($line)) ?: [];
        if (count($words) < 4 || ! is_numeric($words[1]) || ! is_numeric($words[2]) || ! is_numeric($words[3])) {
            throw UnreadableMesh::badLine('OBJ', $number, 'a vertex has three numbers: '.mb_strcut(mb_scrub($line), 0, 40));
        }
        // A fourth number is a weight; with more, colours follow.
        $w = count($words) === 5 && is_numeric($words[4]) && (float) $words[4] !== 0.0 ? (float) $words[4] : 1.0;

        return [(float) $words[1] / $w, (float) $words[2] / $w, (float) $words[3] / $w];
    }

    /** @param  list<int>  $vertices */
    private static function face(string $line, int $number, array $vertices, MeshBuilder $builder): void
    {
        $corners = [];
        foreach (array_slice(preg_split('/\s+/', trim($line)) ?: [], 1) as $word) {
            $index = explode('/', $word, 2)[0];
            if (preg_match('/^-?\d{1,9}\z/', $index) !== 1) {
                throw UnreadableMesh::badLine('OBJ', $number, 'a corner is a whole number: '.mb_strcut(mb_scrub($word), 0, 20));
            }
            // From 1 on; a negative one counts back from the last vertex.
            $place = (int) $index > 0 ? (int) $index - 1 : count($vertices) + (int) $index;
            $corners[] = $vertices[$place] ?? throw UnreadableMesh::badLine('OBJ', $number, "there is no vertex {$index}");
        }
        if (count($corners) < 3) {
            throw UnreadableMesh::badLine('OBJ', $number, 'a face has '.count($corners).' corners');
        }
        for ($k = 2; $k < count($corners); $k++) {
            $builder->triangle($corners[0], $corners[$k - 1], $corners[$k]);
        }
    }
}

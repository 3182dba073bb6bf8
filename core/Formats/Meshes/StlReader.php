<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\Formats\ByteSource;
use Hyalin\Mesh\MeshBuilder;

/**
 * STL, binary and ASCII, as its users write it: some binary files begin with "solid", some state a wrong count. Normals in
 * the file are not used: they are often wrong, the way corners run is not.
 */
final class StlReader
{
    private const HEADER = 84;

    private const RECORD = 50;

    private const AT_ONCE = 2048 * self::RECORD;

    private const MOST_TRIANGLES = 20_000_000;

    public const MOST_BYTES = 160_000_000;

    /**
     * @throws UnreadableMesh
     * @throws \Hyalin\Mesh\InvalidMesh
     */
    public static function read(ByteSource $source): ReadMesh
    {
        $size = $source->size();
        if ($size > self::MOST_BYTES) {
            throw UnreadableMesh::tooLarge($size, self::MOST_BYTES);
        }
        $head = $source->read(min(4096, $size));

        return self::isText($head, $size) ? self::text($head, $source) : self::binary($head, $source, $size);
    }

    /**
     * Whether the first bytes and the size of a file can be those of an STL.
     *
     * @throws UnreadableMesh
     */
    public static function check(string $head, int $size): void
    {
        if (! self::isText($head, $size)) {
            [$fit, $stated] = self::records($head, $size);
            // The count stands in the first 84 bytes: nobody sends the rest of a file that cannot be read.
            if (min($fit, $stated) > MeshBuilder::MOST_TRIANGLES) {
                throw UnreadableMesh::tooMany(min($fit, $stated), MeshBuilder::MOST_TRIANGLES);
            }
        }
    }

    /** By the size first: a binary file has 84 bytes and 50 a triangle, whatever it begins with. */
    private static function isText(string $head, int $size): bool
    {
        $fits = strlen($head) >= self::HEADER && $size === self::HEADER + self::RECORD * self::stated($head);

        return ! $fits && preg_match('/^(?:\xEF\xBB\xBF)?\s*solid\b/i', $head) === 1 && preg_match('/[\x00-\x08\x0E-\x1F]/', $head) !== 1;
    }

    private static function stated(string $head): int
    {
        $count = unpack('V', substr($head, 80, 4));

        return is_int($count[1] ?? null) ? $count[1] : 0;
    }

    private static function binary(string $head, ByteSource $source, int $size): ReadMesh
    {
        [$fit, $stated] = self::records($head, $size);
        $remarks = [];
        if ($stated !== $fit) {
            $remarks[] = "The file states {$stated} triangles and holds {$fit}.";
        }
        $left = $stated === 0 || $stated > $fit ? $fit : $stated;
        $builder = new MeshBuilder;
        $rest = substr($head, self::HEADER);
        while ($left > 0) {
            $part = $source->read(min(self::AT_ONCE, self::RECORD * $left));
            if ($part === '' && strlen($rest) < self::RECORD) {
                break;
            }
            $rest .= $part;
            $whole = min($left, intdiv(strlen($rest), self::RECORD));
            $builder->addStl(substr($rest, 0, $whole * self::RECORD));
            $rest = substr($rest, $whole * self::RECORD);
            $left -= $whole;
        }

        return new ReadMesh($builder->meshOfOnce(), $builder->degenerate, null, [...$remarks, ...$builder->remarks()]);
    }

    /**
     * @return array{int, int} triangles that the file has room for, and that it states
     *
     * @throws UnreadableMesh
     */
    private static function records(string $head, int $size): array
    {
        $fit = intdiv($size - self::HEADER, self::RECORD);
        if ($size < self::HEADER + self::RECORD || preg_match('/^\s*[<{%]|^\s*(?:#|mtllib|v )/', $head) === 1) {
            throw $size < self::HEADER + self::RECORD && self::isBinaryHead($head) ? UnreadableMesh::noTriangles('STL') : UnreadableMesh::unknown();
        }
        $stated = self::stated($head);
        if ($stated > $fit && $stated !== 0xFFFFFFFF) {
            // No print file has so many: these bytes are no count.
            throw $stated <= self::MOST_TRIANGLES ? UnreadableMesh::cutOff($stated, $fit) : UnreadableMesh::unknown();
        }

        return [$fit, $stated];
    }

    private static function isBinaryHead(string $head): bool
    {
        return strlen($head) >= self::HEADER && preg_match('/[\x00-\x08\x0E-\x1F]/', $head) === 1;
    }

    private static function text(string $head, ByteSource $source): ReadMesh
    {
        $builder = new MeshBuilder;
        $corners = [];
        // The text of a vertex line is a key for it: most stand in the file six times.
        $known = [];
        foreach (Lines::of($head, $source) as $number => $line) {
            $line = trim($line);
            if (strncasecmp($line, 'vertex', 6) === 0) {
                $corners[] = $known[$line] ??= $builder->vertex(self::point($line, $number));
            } elseif (strncasecmp($line, 'endloop', 7) === 0) {
                if (count($corners) < 3) {
                    throw UnreadableMesh::badLine('STL', $number, 'a facet has '.count($corners).' corners');
                }
                for ($k = 2; $k < count($corners); $k++) {
                    $builder->triangle($corners[0], $corners[$k - 1], $corners[$k]);
                }
                $corners = [];
            } elseif ($line !== '' && preg_match('/^(solid|facet|outer|endfacet|endsolid|color|\xEF\xBB\xBF)/i', $line) !== 1) {
                throw UnreadableMesh::badLine('STL', $number, 'this is not a line of an STL file: '.mb_strcut(mb_scrub($line), 0, 40));
            }
        }
        if ($corners !== []) {
            throw UnreadableMesh::badLine('STL', $number ?? 1, 'the file ends within a facet: it was cut off');
        }

        return new ReadMesh($builder->meshOfOnce(), $builder->degenerate, null, $builder->remarks());
    }

    /** @return array{float, float, float} */
    private static function point(string $line, int $number): array
    {
        $words = preg_split('/\s+/', $line) ?: [];
        if (count($words) !== 4 || ! is_numeric($words[1]) || ! is_numeric($words[2]) || ! is_numeric($words[3])) {
            throw UnreadableMesh::badLine('STL', $number, 'a vertex has three numbers, with a point and no comma: '.mb_strcut(mb_scrub($line), 0, 40));
        }

        return [(float) $words[1], (float) $words[2], (float) $words[3]];
    }
}

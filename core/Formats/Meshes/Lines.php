<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Generator;
use Hyalin\Formats\ByteSource;

/**
 * Lines of a text of any size, whatever ends them.
 */
final class Lines
{
    private const PART = 262_144;

    /** A line longer than this is none of a mesh. */
    private const LONGEST = 1_048_576;

    /**
     * @param  string  $begun  what was read of the source already
     * @return Generator<int, string> by number, from 1, without their ends
     */
    public static function of(string $begun, ByteSource $source): Generator
    {
        $number = 0;
        $rest = $begun;
        $end = false;
        while (! $end) {
            $part = $source->read(self::PART);
            $end = $part === '';
            $rest .= $part;
            // A return at the very end may be the first half of an end of line.
            $held = ! $end && str_ends_with($rest, "\r") ? "\r" : '';
            $rest = $held === '' ? $rest : substr($rest, 0, -1);
            $lines = explode("\n", strtr($rest, ["\r\n" => "\n", "\r" => "\n"]));
            $rest = $end ? '' : (string) array_pop($lines).$held;
            if (strlen($rest) > self::LONGEST) {
                throw UnreadableMesh::badLine('text', $number + count($lines) + 1, 'the line has more than a million letters');
            }
            foreach ($lines as $line) {
                yield ++$number => $line;
            }
        }
    }
}

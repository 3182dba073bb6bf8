<?php

declare(strict_types=1);

namespace Hyalin\Formats;

/**
 * The palette files of GIMP (.gpl): a magic line, "Name:", then "R G B name" with 0 to 255.
 */
final readonly class GimpPalette
{
    private const MAGIC = 'GIMP Palette';

    private const MOST_COLOURS = 20_000;

    /** @param  list<array{int, string, string}>  $colours  line, "#rrggbb", name */
    private function __construct(public string $name, public array $colours)
    {
    }

    /** @throws UnreadableFile naming line and column */
    public static function read(string $bytes): self
    {
        $lines = explode("\n", TextFile::checked($bytes));
        if (trim($lines[0]) !== self::MAGIC) {
            throw UnreadableFile::at(1, 1, 'a palette begins with "'.self::MAGIC.'"');
        }
        $name = '';
        $colours = [];
        foreach (array_slice($lines, 1) as $i => $line) {
            $number = $i + 2;
            if (trim($line) === '' || str_starts_with(ltrim($line), '#')) {
                continue;
            }
            if ($colours === [] && preg_match('/^\s*(\w+):\s*(.*)$/', $line, $found) === 1) {
                $name = strtolower($found[1]) === 'name' ? trim($found[2]) : $name;

                continue;
            }
            if (preg_match('/^\s*(\d+)\s+(\d+)\s+(\d+)(?:\s+(.*))?$/', $line, $found) !== 1) {
                throw UnreadableFile::at($number, 1, 'a colour is three numbers from 0 to 255 and a name');
            }
            foreach ([1, 2, 3] as $channel) {
                if ((int) $found[$channel] > 255) {
                    throw UnreadableFile::at($number, $channel, "{$found[$channel]} is more than 255");
                }
            }
            if (count($colours) >= self::MOST_COLOURS) {
                throw UnreadableFile::at($number, 1, 'more than '.self::MOST_COLOURS.' colours');
            }
            $hex = sprintf('#%02x%02x%02x', (int) $found[1], (int) $found[2], (int) $found[3]);
            $colours[] = [$number, $hex, trim($found[4] ?? '') ?: $hex];
        }

        return new self($name, $colours);
    }

    /** @param  iterable<array{string, string}>  $colours  "#rrggbb" and name */
    public static function write(string $name, iterable $colours): string
    {
        $text = self::MAGIC."\nName: ".self::oneLine($name)."\nColumns: 0\n#\n";
        foreach ($colours as [$hex, $called]) {
            [$r, $g, $b] = sscanf($hex, '#%02x%02x%02x') ?? [0, 0, 0];
            $text .= sprintf("%3d %3d %3d\t%s\n", $r, $g, $b, self::oneLine($called));
        }

        return $text;
    }

    private static function oneLine(string $text): string
    {
        return trim((string) preg_replace('/\s+/', ' ', $text));
    }
}

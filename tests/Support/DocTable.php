<?php

declare(strict_types=1);

namespace Tests\Support;

use LogicException;

/**
 * A table of the documents, by its heading.
 */
final class DocTable
{
    /** @return array<string, list<string>> the cells of each row after its first, by the first */
    public static function rows(string $file, string $heading): array
    {
        $text = (string) file_get_contents(dirname(__DIR__, 2)."/docs/{$file}");
        if (preg_match('/^## '.preg_quote($heading, '/').'\n(.*?)(?=^## |\z)/ms', $text, $section) !== 1) {
            throw new LogicException("docs/{$file} has no \"{$heading}\"");
        }
        preg_match_all('/^\| (.*) \|$/m', $section[1], $lines);
        $rows = [];
        // The first two lines are its head.
        foreach (array_slice($lines[1], 2) as $line) {
            $cells = array_map(trim(...), explode(' | ', $line));
            $rows[array_shift($cells)] = $cells;
        }

        return $rows;
    }
}

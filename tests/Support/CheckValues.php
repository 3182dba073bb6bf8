<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/**
 * Published check values: tests/data/*.csv. The comment lines of each file name their source.
 */
final class CheckValues
{
    /** @return list<array<string, string>> rows by column name */
    public static function rows(string $name): array
    {
        $lines = file(dirname(__DIR__)."/data/{$name}.csv", FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES)
            ?: throw new RuntimeException("tests/data/{$name}.csv cannot be read");
        $parsed = array_map(
            static fn (string $line): array => array_map(strval(...), str_getcsv($line, escape: '')),
            array_values(array_filter($lines, static fn (string $line): bool => ! str_starts_with($line, '#'))),
        );
        $header = array_shift($parsed) ?? [];

        return array_map(static fn (array $row): array => array_combine($header, $row), $parsed);
    }

    /**
     * @param  array<string, string>  $row
     * @return list<float>
     */
    public static function numbers(array $row, string ...$columns): array
    {
        return array_map(static fn (string $column): float => (float) $row[$column], array_values($columns));
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Formats;

/**
 * Comma separated values by RFC 4180, UTF-8, with a header row; the order of columns is free. PHP's own reader knows
 * neither the line of a record nor an open quote, and both belong in the answer to a painter whose file is refused.
 */
final readonly class Csv
{
    public const MOST_RECORDS = 20_000;

    public const MOST_COLUMNS = 500;

    /** What a sheet would calculate (CWE-1236); and what stands before it here, so that it comes back as it was. */
    private const FORMULA = "/^[=+\\-@\t\r']/";

    /**
     * @param  non-empty-list<string>  $header
     * @param  list<CsvRecord>  $records
     */
    private function __construct(public array $header, public array $records)
    {
    }

    /** @throws UnreadableFile naming line and column */
    public static function read(string $bytes): self
    {
        $rows = self::rows(TextFile::checked($bytes));
        [, $names] = $rows[0];
        $header = [];
        foreach ($names as $place => $name) {
            $name = trim($name);
            if ($name === '') {
                throw UnreadableFile::at($rows[0][0], $place + 1, 'a column of the header has no name');
            }
            if (in_array($name, $header, true)) {
                throw UnreadableFile::at($rows[0][0], $place + 1, "the column \"{$name}\" is in the header twice");
            }
            $header[] = $name;
        }
        $records = [];
        foreach (array_slice($rows, 1) as [$line, $values]) {
            if ($values === ['']) {
                continue;
            }
            if (count($values) !== count($header)) {
                throw UnreadableFile::at($line, min(count($values), count($header)) + 1, sprintf(
                    'the record has %d fields, the header %d', count($values), count($header),
                ));
            }
            if (count($records) >= self::MOST_RECORDS) {
                throw UnreadableFile::at($line, 1, 'more than '.self::MOST_RECORDS.' records');
            }
            $fields = $columns = [];
            foreach ($header as $place => $name) {
                // What was written so that no sheet takes it for a formula.
                $fields[$name] = $values[$place] !== '' && $values[$place][0] === "'" && preg_match(self::FORMULA, substr($values[$place], 1)) === 1 ? substr($values[$place], 1) : $values[$place];
                $columns[$name] = $place + 1;
            }
            $records[] = new CsvRecord($line, $fields, $columns);
        }

        return new self($header ?: throw UnreadableFile::whole('the file has no header'), $records);
    }

    /**
     * @param  non-empty-list<string>  $header
     * @param  iterable<list<string>>  $rows
     */
    public static function write(array $header, iterable $rows): string
    {
        $text = self::line($header);
        foreach ($rows as $row) {
            $text .= self::line($row);
        }

        return $text;
    }

    /** @param  list<string>  $values */
    private static function line(array $values): string
    {
        // A sheet would take it for a formula, and do what it says.
        $values = array_map(static fn (string $v): string => preg_match(self::FORMULA, $v) === 1 && ! is_numeric($v) ? "'{$v}" : $v, $values);

        return implode(',', array_map(
            static fn (string $v): string => preg_match('/[",\r\n]|^\s|\s$/', $v) === 1 ? '"'.str_replace('"', '""', $v).'"' : $v,
            $values,
        ))."\r\n";
    }

    /**
     * @return non-empty-list<array{int, list<string>}> line and fields
     *
     * @throws UnreadableFile on a quote inside a bare field, text after a closing quote, or a quote never closed
     */
    private static function rows(string $text): array
    {
        $rows = $row = [];
        $line = $start = 1;
        $at = 0;
        $end = strlen($text);
        while ($at < $end) {
            if ($text[$at] === '"') {
                [$field, $next] = self::quoted($text, $at + 1, $line, count($row) + 1);
                $line += substr_count($field, "\n");
                $at = $next;
                if ($at < $end && $text[$at] !== ',' && $text[$at] !== "\n") {
                    throw UnreadableFile::at($line, count($row) + 1, 'text follows the closing quote of a field');
                }
            } else {
                $length = strcspn($text, ",\n", $at);
                $field = substr($text, $at, $length);
                if (str_contains($field, '"')) {
                    throw UnreadableFile::at($line, count($row) + 1, 'a quote is inside a field that does not begin with one');
                }
                $at += $length;
            }
            $row[] = $field;
            if (count($row) > self::MOST_COLUMNS) {
                throw UnreadableFile::at($line, count($row), 'more than '.self::MOST_COLUMNS.' columns');
            }
            if ($at >= $end || $text[$at] === "\n") {
                $rows[] = [$start, $row];
                $row = [];
                $start = ++$line;
            } elseif ($at === $end - 1) {
                // A comma is the last character: one more empty field.
                $row[] = '';
                $rows[] = [$start, $row];
                $row = [];
            }
            $at++;
        }

        return $rows ?: throw UnreadableFile::whole('the file is empty');
    }

    /**
     * @return array{string, int} the field, and where the text goes on after its closing quote
     *
     * @throws UnreadableFile
     */
    private static function quoted(string $text, int $from, int $line, int $column): array
    {
        $field = '';
        while (true) {
            $close = strpos($text, '"', $from);
            if ($close === false) {
                throw UnreadableFile::at($line, $column, 'a quote is opened here and never closed');
            }
            $field .= substr($text, $from, $close - $from);
            if (($text[$close + 1] ?? '') !== '"') {
                return [$field, $close + 1];
            }
            $field .= '"';
            $from = $close + 2;
        }
    }
}

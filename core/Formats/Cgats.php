<?php

declare(strict_types=1);

namespace Hyalin\Formats;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Reflectance;

/**
 * Measured colours as CGATS.17 text (ISO 28178): keywords, a data format between BEGIN_DATA_FORMAT and
 * END_DATA_FORMAT, rows between BEGIN_DATA and END_DATA. Fields are separated by white space, text may be quoted.
 *
 * Spectral fields are those with a wavelength in their name (SPECTRAL_NM_380, SPECTRAL_NM380, NM380, R_380 ...), as
 * fractions or, where a value is above 1.5, as percent. They are brought to 380 to 730 nm by 10 nm: bands between are
 * interpolated, bands beyond the ends take the value of the nearest, which must be within 400 to 700 nm.
 */
final readonly class Cgats
{
    private const MOST_ROWS = 20_000;

    /**
     * @param  list<string>  $fields
     * @param  list<array{int, list<string>}>  $rows  line, and values in the order of the fields
     */
    private function __construct(public array $fields, public array $rows)
    {
    }

    /** @throws UnreadableFile naming line and column */
    public static function read(string $bytes): self
    {
        $fields = $rows = [];
        $state = '';
        $opened = 0;
        foreach (explode("\n", TextFile::checked($bytes)) as $i => $line) {
            $number = $i + 1;
            $words = self::words($line, $number);
            if ($words === []) {
                continue;
            }
            if (in_array($words[0], ['BEGIN_DATA_FORMAT', 'BEGIN_DATA'], true)) {
                if ($state !== '') {
                    throw UnreadableFile::at($number, 1, "{$words[0]} is inside {$state}, opened in line {$opened}");
                }
                $state = $words[0];
                $opened = $number;
            } elseif ($words[0] === str_replace('BEGIN', 'END', $state) && $state !== '') {
                $state = '';
            } elseif ($state === 'BEGIN_DATA_FORMAT') {
                $fields = [...$fields, ...$words];
            } elseif ($state === 'BEGIN_DATA') {
                if (count($words) !== count($fields)) {
                    throw UnreadableFile::at($number, min(count($words), count($fields)) + 1, sprintf(
                        'the row has %d values, the data format %d', count($words), count($fields),
                    ));
                }
                if (count($rows) >= self::MOST_ROWS) {
                    throw UnreadableFile::at($number, 1, 'more than '.self::MOST_ROWS.' rows');
                }
                $rows[] = [$number, $words];
            }
        }
        if ($state !== '') {
            throw UnreadableFile::at($opened, 1, "{$state} is never ended");
        }
        if ($fields === [] || $rows === []) {
            throw UnreadableFile::whole('there is no data between BEGIN_DATA and END_DATA');
        }
        if (count(array_unique($fields)) !== count($fields)) {
            throw UnreadableFile::whole('a field is in the data format twice');
        }

        return new self($fields, $rows);
    }

    /**
     * @return list<array{int, string, Reflectance}> line, name and spectrum of each row
     *
     * @throws UnreadableFile without spectral fields, or with values that are none
     */
    public function spectra(): array
    {
        $wavelengths = [];
        foreach ($this->fields as $place => $field) {
            if (preg_match('/^(?:SPECTRAL_)?(?:NM|R|PCT)?_?(\d{3})$/i', $field, $found) === 1) {
                $wavelengths[(int) $found[1]] = $place;
            }
        }
        ksort($wavelengths);
        $nanometres = array_keys($wavelengths);
        if (count($nanometres) < 16 || $nanometres[0] > 400 || $nanometres[count($nanometres) - 1] < 700) {
            throw UnreadableFile::whole('there are no spectra: fields such as SPECTRAL_NM_380 from 400 to 700 nm by 20 nm or finer are needed');
        }
        $read = [];
        $most = 0.0;
        foreach ($this->rows as [$line, $row]) {
            $values = [];
            foreach ($wavelengths as $nm => $place) {
                $text = $row[$place];
                if (! is_numeric($text)) {
                    throw UnreadableFile::at($line, $place + 1, "\"{$text}\" at {$nm} nm is not a number");
                }
                $values[$nm] = (float) $text;
                $most = max($most, $values[$nm]);
            }
            $read[] = [$line, $this->nameOf($row, $line), $values];
        }
        $scale = $most > 1.5 ? 100.0 : 1.0;
        $spectra = [];
        foreach ($read as [$line, $name, $values]) {
            $bands = [];
            for ($band = 0; $band < Bands::COUNT; $band++) {
                $value = self::interpolated($values, Bands::nanometres($band)) / $scale;
                if ($value < 0 || $value > 1) {
                    throw UnreadableFile::at($line, 1, sprintf('a reflectance of %.4f at %d nm is not from 0 to 1', $value, Bands::nanometres($band)));
                }
                $bands[] = $value;
            }
            $spectra[] = [$line, $name, Reflectance::of($bands)];
        }

        return $spectra;
    }

    /**
     * @param  iterable<array{string, Reflectance}>  $spectra  name and spectrum
     * @param  string  $about  one line on what was read
     */
    public static function write(iterable $spectra, string $about): string
    {
        $fields = ['SAMPLE_ID', 'SAMPLE_NAME'];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $fields[] = 'SPECTRAL_NM_'.Bands::nanometres($band);
        }
        $rows = [];
        foreach ($spectra as [$name, $spectrum]) {
            $rows[] = implode(' ', [
                count($rows) + 1,
                self::quote($name),
                ...array_map(static fn (float $v): string => sprintf('%.6f', $v), $spectrum->values),
            ]);
        }

        return implode("\n", [
            'CGATS.17',
            'ORIGINATOR "Hyalin"',
            'FILE_DESCRIPTOR '.self::quote($about),
            'NUMBER_OF_FIELDS '.count($fields),
            'BEGIN_DATA_FORMAT',
            implode(' ', $fields),
            'END_DATA_FORMAT',
            'NUMBER_OF_SETS '.count($rows),
            'BEGIN_DATA',
            ...$rows,
            'END_DATA',
            '',
        ]);
    }

    private static function quote(string $text): string
    {
        return '"'.str_replace('"', "'", (string) preg_replace('/\s+/', ' ', $text)).'"';
    }

    /**
     * @return list<string>
     *
     * @throws UnreadableFile on a quote that is not closed in its line
     */
    private static function words(string $line, int $number): array
    {
        $line = trim($line);
        if ($line === '' || $line[0] === '#') {
            return [];
        }
        if (substr_count($line, '"') % 2 === 1) {
            throw UnreadableFile::at($number, strpos($line, '"') + 1, 'a quote is not closed in its line');
        }
        preg_match_all('/"([^"]*)"|(\S+)/', $line, $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL);

        return array_map(static fn (array $word): string => $word[1] ?? $word[2] ?? '', $found);
    }

    /** @param  list<string>  $row */
    private function nameOf(array $row, int $line): string
    {
        foreach (['SAMPLE_NAME', 'SAMPLE_ID'] as $field) {
            $place = array_search($field, $this->fields, true);
            if ($place !== false && trim($row[$place]) !== '') {
                return trim($row[$place]);
            }
        }

        return "row of line {$line}";
    }

    /** @param  array<int, float>  $values  by wavelength, ascending */
    private static function interpolated(array $values, int $nanometres): float
    {
        $below = [0, 0.0];
        foreach ($values as $nm => $value) {
            if ($nm === $nanometres) {
                return $value;
            }
            if ($nm > $nanometres) {
                return $below[0] === 0 ? $value : $below[1] + ($value - $below[1]) * ($nanometres - $below[0]) / ($nm - $below[0]);
            }
            $below = [$nm, $value];
        }

        return $below[1];
    }
}

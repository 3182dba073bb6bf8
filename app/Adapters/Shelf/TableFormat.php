<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Formats\Csv;
use Hyalin\Formats\CsvRecord;
use Hyalin\InvalidInput;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\InvalidPot;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;

/**
 * A table with a column for every field of a pot, and for its K and S where they were measured.
 */
final class TableFormat implements ShelfFormat
{
    private const OPTICS = ['quality', 'absorption', 'scattering'];

    /** @return non-empty-list<string> every column, in order */
    public static function columns(): array
    {
        return [...array_map(static fn (PotField $f): string => $f->inTables(), PotFields::all()), ...self::OPTICS];
    }

    public function ending(): string
    {
        return 'csv';
    }

    public function title(): string
    {
        return 'CSV';
    }

    public function holds(): string
    {
        return 'All pots as a table';
    }

    public function about(): string
    {
        return 'CSV, with K and S of measured pots';
    }

    public function contentType(): string
    {
        return 'text/csv; charset=utf-8';
    }

    public function recognises(string $text): bool
    {
        return true;
    }

    public function read(string $text): ShelfFile
    {
        $csv = Csv::read($text);
        $faults = self::headerFaults($csv->header);
        $pots = [];
        foreach ($faults === [] ? $csv->records : [] as $record) {
            $pot = self::pot($record, $faults);
            if ($pot !== null) {
                $pots[] = $pot;
            }
            if (count($faults) >= ShelfFile::MOST_FAULTS) {
                break;
            }
        }

        return ShelfFile::of($this->title(), $pots, $faults);
    }

    public function write(iterable $paints, string $title): string
    {
        $rows = [];
        foreach ($paints as $paint) {
            $row = [];
            foreach (PotFields::all() as $field) {
                $value = $paint->getAttribute($field->column());
                $row[] = is_scalar($value) || $value instanceof \BackedEnum ? PotField::written($value) : '';
            }
            $isRead = $paint->quality !== OpticsQuality::Estimated;
            $rows[] = [...$row, $paint->quality->value, $isRead ? self::numbers($paint->absorption) : '', $isRead ? self::numbers($paint->scattering) : ''];
        }

        return Csv::write(self::columns(), $rows);
    }

    /**
     * @param  list<string>  $header
     * @return list<Fault>
     */
    private static function headerFaults(array $header): array
    {
        $faults = [];
        foreach ($header as $place => $name) {
            if (! in_array($name, self::columns(), true)) {
                $faults[] = new Fault(1, $place + 1, "The column \"{$name}\" is not known; known are ".implode(', ', self::columns()).'.');
            }
        }
        foreach (PotFields::described() as $field) {
            if ($field->isRequired && $field->default === null && $field->usual === null && ! in_array($field->inTables(), $header, true)) {
                $faults[] = new Fault(1, 1, "The column \"{$field->inTables()}\" is missing.");
            }
        }

        return $faults;
    }

    /** @param  list<Fault>  $faults */
    private static function pot(CsvRecord $record, array &$faults): ?PotRow
    {
        $before = count($faults);
        $stated = [];
        foreach (PotFields::all() as $field) {
            try {
                $stated[$field->key] = $field->parse($record->fields[$field->inTables()] ?? '');
            } catch (InvalidPot $e) {
                $faults[] = new Fault($record->line, $record->columns[$field->inTables()] ?? 1, ucfirst($e->getMessage()).'.');
            }
        }
        $optics = self::optics($record, $faults);

        return count($faults) > $before ? null : new PotRow($record->line, $stated, $optics);
    }

    /**
     * @param  list<Fault>  $faults
     * @return PaintOptics|null null when it is to be estimated
     */
    private static function optics(CsvRecord $record, array &$faults): ?PaintOptics
    {
        $words = trim($record->fields['quality'] ?? '');
        $quality = OpticsQuality::tryFrom($words === '' ? OpticsQuality::Estimated->value : $words);
        if ($quality === null) {
            $known = implode(', ', array_column(OpticsQuality::cases(), 'value'));
            $faults[] = new Fault($record->line, $record->columns['quality'] ?? 1, "The quality \"{$words}\" is not known; known are {$known}.");
        }
        if ($quality === null || $quality === OpticsQuality::Estimated) {
            return null;
        }
        try {
            return PaintOptics::parse(self::list($record->fields['absorption'] ?? ''), self::list($record->fields['scattering'] ?? ''), $quality);
        } catch (InvalidInput $e) {
            $faults[] = new Fault($record->line, $record->columns['absorption'] ?? 1, "A pot that is \"{$quality->value}\" needs 36 numbers of absorption and of scattering: {$e->getMessage()}.");

            return null;
        }
    }

    /** @param  list<float>  $values */
    private static function numbers(array $values): string
    {
        return implode(' ', array_map(static fn (float $v): string => json_encode($v, JSON_THROW_ON_ERROR), $values));
    }

    /** @return list<float|string> */
    private static function list(string $text): array
    {
        return array_map(
            static fn (string $v): float|string => is_numeric($v) ? (float) $v : $v,
            preg_split('/\s+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [],
        );
    }
}

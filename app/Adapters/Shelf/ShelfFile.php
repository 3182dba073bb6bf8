<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Models\Shelf\Paint;
use BackedEnum;
use Hyalin\Formats\Csv;
use Hyalin\Formats\CsvRecord;
use Hyalin\Formats\GimpPalette;
use Hyalin\Formats\UnreadableFile;
use Hyalin\InvalidInput;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\PotKind;

/**
 * A shelf as a file: CSV with a column for everything, or a palette with a name and a colour each. All faults are
 * collected, not only the first; a file with any is taken in not at all.
 */
final readonly class ShelfFile
{
    public const COLUMNS = ['maker', 'name', 'kind', 'sheen', 'colour', 'opacity', 'strength', 'level', 'note', 'quality', 'absorption', 'scattering'];

    private const NEEDED = ['maker', 'name', 'colour'];

    private const MOST_FAULTS = 200;

    /**
     * @param  string  $format  "CSV" or "palette"
     * @param  list<PotRow>  $pots
     * @param  list<Fault>  $faults
     */
    private function __construct(public string $format, public array $pots, public array $faults)
    {
    }

    public static function read(string $text): self
    {
        $isPalette = str_starts_with(ltrim($text, "\xEF\xBB\xBF \t\r\n"), 'GIMP Palette');
        $format = $isPalette ? 'palette' : 'CSV';
        try {
            return $isPalette ? self::palette($text) : self::csv($text);
        } catch (UnreadableFile $e) {
            return new self($format, [], [new Fault($e->atLine, $e->atColumn, $e->reason)]);
        }
    }

    /** @param  iterable<Paint>  $paints */
    public static function toCsv(iterable $paints): string
    {
        $rows = [];
        foreach ($paints as $paint) {
            $isRead = $paint->quality !== OpticsQuality::Estimated;
            $rows[] = [
                $paint->maker, $paint->name, $paint->kind->value, $paint->sheen->value, $paint->thick_hex,
                $paint->opacity->value, $paint->strength->value, (string) $paint->level_percent, $paint->note ?? '',
                $paint->quality->value,
                $isRead ? self::numbers($paint->absorption) : '',
                $isRead ? self::numbers($paint->scattering) : '',
            ];
        }

        return Csv::write(self::COLUMNS, $rows);
    }

    /** @throws UnreadableFile */
    private static function palette(string $text): self
    {
        $palette = GimpPalette::read($text);
        $pots = [];
        foreach ($palette->colours as [$line, $hex, $name]) {
            $pots[] = new PotRow(
                $line, $palette->name !== '' ? mb_substr($palette->name, 0, 80) : 'Palette', mb_substr($name, 0, 80), PotKind::Acrylic,
                Sheen::Matt, $hex, Opacity::TwoCoats, TintingStrength::Usual, 100, null, null,
            );
        }

        return self::checked('palette', $pots, []);
    }

    /** @throws UnreadableFile */
    private static function csv(string $text): self
    {
        $csv = Csv::read($text);
        $faults = [];
        foreach ($csv->header as $place => $name) {
            if (! in_array($name, self::COLUMNS, true)) {
                $faults[] = new Fault(1, $place + 1, "The column \"{$name}\" is not known; known are ".implode(', ', self::COLUMNS).'.');
            }
        }
        foreach (array_diff(self::NEEDED, $csv->header) as $missing) {
            $faults[] = new Fault(1, 1, "The column \"{$missing}\" is missing.");
        }
        if ($faults !== []) {
            return new self('CSV', [], $faults);
        }
        $pots = [];
        foreach ($csv->records as $record) {
            $pot = self::pot($record, $faults);
            if ($pot !== null) {
                $pots[] = $pot;
            }
            if (count($faults) >= self::MOST_FAULTS) {
                break;
            }
        }

        return self::checked('CSV', $pots, $faults);
    }

    /** @param  list<Fault>  $faults */
    private static function pot(CsvRecord $record, array &$faults): ?PotRow
    {
        $before = count($faults);
        $text = static fn (string $column): string => trim($record->fields[$column] ?? '');
        $fault = static function (string $column, string $message) use ($record, &$faults): void {
            $faults[] = new Fault($record->line, $record->columns[$column] ?? 1, $message);
        };
        foreach (['maker', 'name'] as $column) {
            if ($text($column) === '') {
                $fault($column, "The {$column} is missing.");
            } elseif (mb_strlen($text($column)) > 80) {
                $fault($column, "The {$column} has more than 80 letters.");
            }
        }
        $hex = strtolower($text('colour'));
        if (preg_match('/^#[0-9a-f]{6}$/', $hex) !== 1) {
            $fault('colour', "The colour \"{$text('colour')}\" is not of the form #rrggbb.");
        }
        $level = $text('level') === '' ? '100' : $text('level');
        if (preg_match('/^\d{1,3}$/', $level) !== 1 || (int) $level > 100) {
            $fault('level', "The level \"{$level}\" is not a whole number from 0 to 100.");
        }
        $choice = static function (string $column, string $enum, BackedEnum $default) use ($text, $fault): BackedEnum {
            /** @var class-string<BackedEnum> $enum */
            $chosen = $text($column) === '' ? $default : $enum::tryFrom($text($column));
            if ($chosen === null) {
                $fault($column, "The {$column} \"{$text($column)}\" is not known; known are ".implode(', ', array_column($enum::cases(), 'value')).'.');
            }

            return $chosen ?? $default;
        };
        $kind = $choice('kind', PotKind::class, PotKind::Acrylic);
        $sheen = $choice('sheen', Sheen::class, Sheen::Matt);
        $opacity = $choice('opacity', Opacity::class, Opacity::TwoCoats);
        $strength = $choice('strength', TintingStrength::class, TintingStrength::Usual);
        $quality = $choice('quality', OpticsQuality::class, OpticsQuality::Estimated);
        $optics = null;
        if ($quality instanceof OpticsQuality && $quality !== OpticsQuality::Estimated) {
            try {
                $optics = PaintOptics::parse(self::list($text('absorption')), self::list($text('scattering')), $quality);
            } catch (InvalidInput $e) {
                $fault('absorption', "A pot that is \"{$quality->value}\" needs 36 numbers of absorption and of scattering: {$e->getMessage()}.");
            }
        }
        if (count($faults) > $before
            || ! ($kind instanceof PotKind && $sheen instanceof Sheen && $opacity instanceof Opacity && $strength instanceof TintingStrength)) {
            return null;
        }

        return new PotRow(
            $record->line, $text('maker'), $text('name'), $kind, $sheen, $hex, $opacity, $strength, (int) $level,
            $text('note') === '' ? null : mb_substr($text('note'), 0, 2000), $optics,
        );
    }

    /**
     * @param  list<PotRow>  $pots
     * @param  list<Fault>  $faults
     */
    private static function checked(string $format, array $pots, array $faults): self
    {
        $seen = [];
        foreach ($pots as $pot) {
            $first = $seen[$pot->identity()] ?? null;
            if ($first !== null) {
                $faults[] = new Fault($pot->line, 1, "{$pot->maker} {$pot->name} stands in line {$first} already.");
            }
            $seen[$pot->identity()] ??= $pot->line;
        }
        usort($faults, static fn (Fault $p, Fault $q): int => [$p->line, $p->column] <=> [$q->line, $q->column]);

        return new self($format, $pots, array_slice($faults, 0, self::MOST_FAULTS));
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

<?php

declare(strict_types=1);

namespace Tests\Core\Formats;

use Hyalin\Colour\Reflectance;
use Hyalin\Formats\Cgats;
use Hyalin\Formats\Csv;
use Hyalin\Formats\CsvRecord;
use Hyalin\Formats\GimpPalette;
use Hyalin\Formats\UnreadableFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TextFormatsTest extends TestCase
{
    /** The rules of RFC 4180, section 2, one by one. */
    public function test_csv_is_read_as_rfc_4180_says(): void
    {
        $cases = [
            "a,b\r\n1,2\r\n" => [['1', '2']],
            "a,b\r\n1,2" => [['1', '2']],
            "a,b\n\"1\",\"2\"\n" => [['1', '2']],
            "a,b\r\n\"x\r\ny\",\"p,q\"\r\n" => [["x\ny", 'p,q']],
            "a,b\r\n\"say \"\"so\"\"\",2\r\n" => [['say "so"', '2']],
            "a,b\r\n 1 ,\r\n" => [[' 1 ', '']],
            "a,b\r\n,\r\n\r\n3,4\r\n" => [['', ''], ['3', '4']],
            "\xEF\xBB\xBFa,b\n1,2," => UnreadableFile::class,
        ];
        foreach ($cases as $text => $expected) {
            try {
                $records = Csv::read($text)->records;
                self::assertSame($expected, array_map(static fn (CsvRecord $r): array => array_values($r->fields), $records), $text);
            } catch (UnreadableFile) {
                self::assertSame(UnreadableFile::class, $expected, $text);
            }
        }
        $records = Csv::read("name,note\nx,\"two\nlines\"\ny,z\n")->records;
        self::assertSame([2, 4], array_column($records, 'line'));
        self::assertSame(['name' => 1, 'note' => 2], $records[1]->columns);
    }

    /** @return iterable<string, array{callable(string): mixed, string, string}> */
    public static function faults(): iterable
    {
        yield 'open quote' => [Csv::read(...), "a,b\n1,2\n3,\"4\n5,6\n", 'line 3, column 2: a quote is opened here and never closed'];
        yield 'text after a quote' => [Csv::read(...), "a,b\n\"1\"x,2\n", 'line 2, column 1: text follows the closing quote'];
        yield 'quote inside' => [Csv::read(...), "a,b\n1,2\"\n", 'line 2, column 2: a quote is inside'];
        yield 'too few fields' => [Csv::read(...), "a,b,c\n1,2,3\n4,5\n", 'line 3, column 3: the record has 2 fields, the header 3'];
        yield 'two columns of one name' => [Csv::read(...), "a,a\n1,2\n", 'line 1, column 2: the column "a" is in the header twice'];
        yield 'no text' => [Csv::read(...), "a,b\n\0\n", 'byte 4 is zero'];
        yield 'not UTF-8' => [Csv::read(...), "a,b\n1,\xE9\n", 'line 2, column 1: the text is not UTF-8'];
        yield 'empty' => [Csv::read(...), " \n ", 'the file is empty'];
        yield 'too large' => [Csv::read(...), str_repeat('a', 8 * 1024 * 1024 + 1), 'at most 8 MB'];
        yield 'lines without end' => [Csv::read(...), str_repeat("\r", 200_000), 'at most 100000 are read'];
        yield 'columns without end' => [Csv::read(...), str_repeat('a,', 100_000)."\n", 'more than 500 columns'];
        yield 'no palette' => [GimpPalette::read(...), "Palette\n1 2 3 x\n", 'line 1, column 1'];
        yield 'channel above 255' => [GimpPalette::read(...), "GIMP Palette\n#\n1 256 3 x\n", 'line 3, column 2: 256 is more than 255'];
        yield 'no colour' => [GimpPalette::read(...), "GIMP Palette\nred\n", 'line 2, column 1: a colour is three numbers'];
        yield 'row too short' => [Cgats::read(...), "BEGIN_DATA_FORMAT\nA B\nEND_DATA_FORMAT\nBEGIN_DATA\n1\nEND_DATA\n", 'line 5, column 2: the row has 1 values'];
        yield 'never ended' => [Cgats::read(...), "BEGIN_DATA_FORMAT\nA B\n", 'line 1, column 1: BEGIN_DATA_FORMAT is never ended'];
        yield 'no data' => [Cgats::read(...), "CGATS.17\n", 'there is no data'];
        yield 'no spectra' => [static fn (string $t): array => Cgats::read($t)->spectra(), "BEGIN_DATA_FORMAT\nA\nEND_DATA_FORMAT\nBEGIN_DATA\n1\nEND_DATA\n", 'there are no spectra'];
    }

    /** @param  callable(string): mixed  $read */
    #[DataProvider('faults')]
    public function test_a_file_that_cannot_be_read_is_refused_with_line_and_column(callable $read, string $text, string $words): void
    {
        $this->expectException(UnreadableFile::class);
        $this->expectExceptionMessage($words);
        $read($text);
    }

    public function test_whatever_is_written_is_read_back(): void
    {
        $random = new Randomizer(new Mt19937(6));
        $pieces = ['"', ',', "\n", ' ', 'Lamp', "\u{e9}", '#', '""', ';', '0'];
        for ($n = 0; $n < 200; $n++) {
            $rows = $spectra = $colours = [];
            for ($i = 0; $i < 4; $i++) {
                $text = static fn (): string => implode('', array_map(static fn () => $pieces[$random->getInt(0, 9)], range(1, 5)));
                // With what a sheet would calculate, and with what stands before it then.
                $rows[] = [['x', '=', '+1', '-3', "'", "'='", '@'][$random->getInt(0, 6)].$text(), $text()];
                $colours[] = [sprintf('#%06x', $random->getInt(0, 0xFFFFFF)), "Pot {$n} {$i}"];
                $spectra[] = ["Pot {$n} {$i}", Reflectance::of(array_map(static fn () => $random->getInt(0, 1_000_000) / 1_000_000, range(1, 36)))];
            }
            $written = Csv::write(['a', 'b'], $rows);
            self::assertDoesNotMatchRegularExpression('/^"?[=+@]/m', str_replace("\n", ' ', str_replace("\r\n", "\r", $written)));
            $read = Csv::read($written)->records;
            self::assertSame($rows, array_map(static fn (CsvRecord $r): array => array_values($r->fields), $read));
            $palette = GimpPalette::read(GimpPalette::write('Shelf', $colours));
            self::assertSame('Shelf', $palette->name);
            self::assertSame($colours, array_map(static fn (array $c): array => [$c[1], $c[2]], $palette->colours));
            self::assertEquals($spectra, array_map(static fn (array $s): array => [$s[1], $s[2]], Cgats::read(Cgats::write($spectra, 'A shelf'))->spectra()));
        }
    }

    public function test_spectra_come_by_other_steps_and_in_percent(): void
    {
        $fields = $values = '';
        for ($nm = 400; $nm <= 700; $nm += 20) {
            $fields .= " NM{$nm}";
            $values .= ' '.(($nm - 300) / 10);
        }
        $text = "CGATS.17\n# read on a dull day\nBEGIN_DATA_FORMAT\nSAMPLE_NAME{$fields}\nEND_DATA_FORMAT\nBEGIN_DATA\n\"Old Gull\"{$values}\nEND_DATA\n";
        [[$line, $name, $spectrum]] = Cgats::read($text)->spectra();
        self::assertSame([7, 'Old Gull'], [$line, $name]);
        // Held at the ends, in the middle of two where none was read.
        self::assertEqualsWithDelta(0.10, $spectrum->values[0], 1e-12);
        self::assertEqualsWithDelta(0.11, $spectrum->values[3], 1e-12);
        self::assertEqualsWithDelta(0.40, $spectrum->values[35], 1e-12);
        $this->expectExceptionMessage('line 7, column 3: "a" at 420 nm is not a number');
        Cgats::read(str_replace(' 12', ' a', $text))->spectra();
    }
}

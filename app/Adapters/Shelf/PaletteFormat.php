<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Formats\GimpPalette;

/**
 * A palette: a name and a colour of each pot.
 */
final class PaletteFormat implements ShelfFormat
{
    private const MOST_LETTERS = 80;

    public function ending(): string
    {
        return 'gpl';
    }

    public function title(): string
    {
        return 'palette';
    }

    public function holds(): string
    {
        return 'Their colours as a palette';
    }

    public function about(): string
    {
        return 'for paint programs';
    }

    public function contentType(): string
    {
        return 'text/plain; charset=utf-8';
    }

    public function recognises(string $text): bool
    {
        return str_starts_with(ltrim($text, "\xEF\xBB\xBF \t\r\n"), 'GIMP Palette');
    }

    public function read(string $text): ShelfFile
    {
        $palette = GimpPalette::read($text);
        $maker = $palette->name !== '' ? mb_substr($palette->name, 0, self::MOST_LETTERS) : 'Palette';
        $pots = [];
        foreach ($palette->colours as [$line, $hex, $name]) {
            $pots[] = new PotRow($line, ['maker' => $maker, 'name' => mb_substr($name, 0, self::MOST_LETTERS), 'thickHex' => $hex], null);
        }

        return ShelfFile::of($this->title(), $pots, []);
    }

    public function write(iterable $paints, string $title): string
    {
        return GimpPalette::write($title, array_map(
            static fn (Paint $p): array => [$p->thick_hex, "{$p->maker} {$p->name}"],
            [...$paints],
        ));
    }
}

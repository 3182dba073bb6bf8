<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

/**
 * Every format of a shelf. A file belongs to the first that recognises it; the table comes last, for it takes any text.
 */
final class ShelfFormats
{
    /** @return non-empty-list<ShelfFormat> */
    public static function all(): array
    {
        return [new PaletteFormat, new SpectraFormat, new TableFormat];
    }

    /** @return ShelfFormat|null null when there is none of this ending */
    public static function ending(string $ending): ?ShelfFormat
    {
        foreach (self::all() as $format) {
            if ($format->ending() === $ending) {
                return $format;
            }
        }

        return null;
    }

    public static function of(string $text): ShelfFormat
    {
        foreach (self::all() as $format) {
            if ($format->recognises($text)) {
                return $format;
            }
        }

        return new TableFormat;
    }
}

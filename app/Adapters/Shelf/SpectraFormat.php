<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Colour\Reflectance;
use Hyalin\Formats\Cgats;
use Hyalin\Optics\FilmThickness;

/**
 * Spectra of each pot: thick, one coat over black, one coat over white. They say nothing of what a pot is, so no shelf is
 * read from them; the swatch table of a pot takes them.
 */
final class SpectraFormat implements ShelfFormat
{
    public function ending(): string
    {
        return 'cgats';
    }

    public function title(): string
    {
        return 'CGATS';
    }

    public function holds(): string
    {
        return 'Their spectra';
    }

    public function about(): string
    {
        return 'CGATS: thick, one coat over black, one over white';
    }

    public function contentType(): string
    {
        return 'text/plain; charset=utf-8';
    }

    public function recognises(string $text): bool
    {
        return str_starts_with(ltrim($text, "\xEF\xBB\xBF \t\r\n"), 'CGATS');
    }

    public function read(string $text): ShelfFile
    {
        return ShelfFile::of($this->title(), [], [new Fault(1, 1, 'Spectra do not say what a pot is. Import them on the page of a pot, at its swatch table.')]);
    }

    public function write(iterable $paints, string $title): string
    {
        return Cgats::write(self::spectra($paints), 'Each pot thick, one coat over black, one coat over white; without surface reflection');
    }

    /**
     * @param  iterable<Paint>  $paints
     * @return iterable<array{string, Reflectance}>
     */
    private static function spectra(iterable $paints): iterable
    {
        foreach ($paints as $paint) {
            $optics = $paint->optics();
            $name = "{$paint->maker} {$paint->name}";
            yield ["{$name} thick", $optics->masstone()];
            yield ["{$name} over black", $optics->filmOver(Reflectance::flat(0.0), FilmThickness::coats(1.0))];
            yield ["{$name} over white", $optics->filmOver(Reflectance::flat(1.0), FilmThickness::coats(1.0))];
        }
    }
}

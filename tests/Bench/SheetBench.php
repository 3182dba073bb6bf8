<?php

declare(strict_types=1);

namespace Tests\Bench;

use App\Adapters\Shelf\SheetPhotoFile;
use App\Devices\SheetScene;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\ReadSpectrum;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Sheet\Place;
use Hyalin\Sheet\SheetLayout;
use Hyalin\Sheet\SheetReading;
use Hyalin\Sheet\SheetSearch;
use Tests\Support\SheetPhotos;

/**
 * A photo of a swatch sheet of twelve megapixels, from its pixels to colours, and what a pot makes of them.
 */
final class SheetBench
{
    public function run(): void
    {
        $scene = new SheetScene(card: 'chart');
        $image = imagecreatefromstring(SheetPhotos::jpeg(7, $scene, SheetPhotos::painted()));
        if ($image === false) {
            return;
        }
        $search = new Sample;
        $read = new Sample;
        $fit = new Sample;
        $reading = null;
        foreach (range(1, 3) as $_) {
            [$photo, $small] = SheetPhotoFile::photos($image);
            $found = $search->time(static fn () => SheetSearch::in($photo, $small));
            $reading = $read->time(static fn () => SheetReading::of($photo, $found, SheetLayout::of(12), array_fill(0, 12, Place::cases()), 0.18, static fn () => null));
        }
        $surface = Surface::of(Sheen::Matt);
        $places = $reading->fields[1] ?? [];
        $colour = static fn (string $place): ReadSpectrum => ReadSpectrum::ofColour($surface, isset($places[$place]) ? $places[$place]->colour : Lab::of(50.0, 0.0, 0.0), 1.5);
        foreach (range(1, 3) as $_) {
            $fit->time(static fn () => PotMeasurement::solve(SwatchReadings::of($colour('overBlack'), $colour('overWhite'), Reflectance::flat(0.05), Reflectance::flat(0.87), $colour('thick'), [], 0.15), $surface));
        }
        printf(
            "swatch sheet, 4000 x 3000 pixels, 12 pots, seed 1: found in %.2f s, read in %.1f times that; the fit of one pot takes %.2f times the search\n",
            $search->median() / 1000,
            $read->median() / $search->median(),
            $fit->median() / $search->median(),
        );
    }
}

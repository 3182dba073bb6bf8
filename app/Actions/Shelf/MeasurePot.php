<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Colour\Reflectance;
use Hyalin\InvalidInput;
use Hyalin\Measuring\InvalidReadings;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\ReadSpectrum;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Measuring\TintReading;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Illuminate\Validation\ValidationException;

/**
 * K and S of a pot from what was read of its swatches, as seen from outside.
 */
final class MeasurePot
{
    /** A sealed card may read this much darker than its gloss. */
    private const SLACK = 0.02;

    /**
     * @param  array<string, Reflectance>  $seen  by Hyalin\Measuring\Swatch
     * @param  float  $noise  of what was read, as a standard deviation of reflectance
     * @param  float  $coatSpread  standard deviation of the thickness of a coat, relative
     *
     * @throws ValidationException when a needed reading is missing or readings contradict each other
     */
    public function __invoke(Paint $pot, array $seen, float $noise, float $coatSpread, ?Paint $white): PotMeasurement
    {
        foreach (['black' => 'the bare black card', 'white' => 'the bare white card', 'overBlack' => 'one coat over black', 'overWhite' => 'one coat over white'] as $swatch => $words) {
            if (! isset($seen[$swatch])) {
                throw ValidationException::withMessages(["readings.{$swatch}" => "Not read yet: {$words}."]);
            }
        }
        try {
            // The cards are sealed and read off their gloss; the swatches have the sheen of the pot.
            $card = Surface::of(Sheen::Gloss);
            $film = Surface::of($pot->sheen);
            $read = static fn (string $swatch): ReadSpectrum => ReadSpectrum::through($film, $seen[$swatch], $noise);
            if (isset($seen['tint']) && $white === null) {
                throw InvalidReadings::tintWithoutWhite();
            }

            return PotMeasurement::solve(SwatchReadings::of(
                $read('overBlack'),
                $read('overWhite'),
                $card->inside($seen['black'], self::SLACK),
                $card->inside($seen['white'], self::SLACK),
                isset($seen['thick']) ? $read('thick') : null,
                isset($seen['tint']) && $white !== null ? [new TintReading($read('tint'), $white->optics())] : [],
                $coatSpread,
            ), $film);
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['readings' => ucfirst($e->getMessage()).'.']);
        }
    }
}

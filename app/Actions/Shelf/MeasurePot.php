<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Colour\Reflectance;
use Hyalin\InvalidInput;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Illuminate\Validation\ValidationException;

/**
 * K and S of a pot from what was read of its swatches, as seen from outside.
 */
final class MeasurePot
{
    /** Standard deviations of a reading that are still noise. */
    private const DEVIATIONS = 4.0;

    /**
     * @param  array<string, Reflectance>  $seen  by Hyalin\Measuring\Swatch
     * @param  float  $noise  of what was read, as a standard deviation of reflectance
     *
     * @throws ValidationException when a needed reading is missing or readings contradict each other
     */
    public function __invoke(Paint $pot, array $seen, float $noise, ?Paint $white): PotMeasurement
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
            // What is black reads now above and now below the reflection of its surface.
            $slack = self::DEVIATIONS * $noise;

            return PotMeasurement::solve(SwatchReadings::of(
                $film->inside($seen['overBlack'], $slack),
                $film->inside($seen['overWhite'], $slack),
                $card->inside($seen['black'], $slack),
                $card->inside($seen['white'], $slack),
                isset($seen['thick']) ? $film->inside($seen['thick'], $slack) : null,
                isset($seen['tint']) ? $film->inside($seen['tint'], $slack) : null,
                // Inside a film what was read with some noise is known with that much more: see Optics\Surface.
                min(0.09, $noise / $film->gain),
            ), $white?->optics());
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['readings' => ucfirst($e->getMessage()).'.']);
        }
    }
}

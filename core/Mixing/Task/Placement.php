<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Task;

use Hyalin\Colour\Reflectance;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\InvalidOptics;

/**
 * Where the mix will lie: as a masstone (so thick that nothing shows through), or as coats of a film that cover a
 * fraction of an undercoat.
 */
final readonly class Placement
{
    private function __construct(
        public ?Reflectance $undercoat,
        public float $thickness,
        public float $coverage,
        public int $coats,
        public float $scattering = 1.0,
    ) {
    }

    public static function masstone(): self
    {
        return new self(null, 1.0, 1.0, 1);
    }

    /**
     * @param  Reflectance  $undercoat  without surface reflection
     * @param  FilmThickness  $thickness  of one coat, of undiluted mix
     * @param  float  $coverage  of one coat, more than 0 and at most 1
     * @param  int  $coats  1..12
     * @param  float  $scattering  share of its scattering that the film has there, 0..1
     *
     * @throws InvalidOptics when the coverage is outside its range
     */
    public static function over(
        Reflectance $undercoat,
        FilmThickness $thickness,
        float $coverage = 1.0,
        int $coats = 1,
        float $scattering = 1.0,
    ): self {
        if (! ($coverage > 0 && $coverage <= 1)) {
            throw InvalidOptics::coverage($coverage);
        }
        // Full coats of one mix are one thicker film.
        if ($coverage === 1.0) {
            return new self($undercoat, $thickness->coats * $coats, 1.0, 1, $scattering);
        }

        return new self($undercoat, $thickness->coats, $coverage, max(1, $coats), $scattering);
    }
}

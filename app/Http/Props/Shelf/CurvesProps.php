<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use Hyalin\Colour\Reflectance;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;

/**
 * Reflectance of a pot by wavelength, 36 values each from 380 to 730 nm, without surface reflection.
 */
final readonly class CurvesProps
{
    /**
     * @param  list<float>  $thick
     * @param  list<float>  $overBlack
     * @param  list<float>  $overWhite
     */
    public function __construct(public array $thick, public array $overBlack, public array $overWhite)
    {
    }

    public static function of(PaintOptics $optics): self
    {
        $coat = FilmThickness::coats(1.0);

        return new self(
            $optics->masstone()->values,
            $optics->filmOver(Reflectance::flat(0.0), $coat)->values,
            $optics->filmOver(Reflectance::flat(1.0), $coat)->values,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\ColourProps;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Measuring\Swatch;

/**
 * One swatch as it was read.
 */
final readonly class ReadingProps
{
    /** @param  list<float>  $values  36 reflectances as seen from outside */
    public function __construct(public Swatch $swatch, public array $values, public ColourProps $colour)
    {
    }

    public static function of(Swatch $swatch, Reflectance $seen): self
    {
        return new self($swatch, $seen->values, ColourProps::of(SpectralSum::under(Illuminant::D65)->xyz($seen)->toLab()));
    }
}

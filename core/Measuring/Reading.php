<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

/**
 * One swatch of a pot as it was read, and what K and S of the pot would make of it. All without surface reflection.
 */
interface Reading
{
    public function read(): ReadSpectrum;

    /**
     * @param  int  $band  0..35
     * @param  float  $k  absorption of one reference coat, >= 0
     * @param  float  $s  scattering of one reference coat, >= 0
     * @param  float  $coats  how thick the coat really is, in reference coats; what is opaque does not depend on it
     * @return float reflectance, 0..1
     */
    public function predicted(int $band, float $k, float $s, float $coats): float;
}

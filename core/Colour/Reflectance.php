<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * Spectral reflectance: 36 fractions 0..1 of the perfect diffuser, 380 to 730 nm by 10 nm.
 */
final readonly class Reflectance
{
    /** @param  list<float>  $values */
    private function __construct(public array $values)
    {
    }

    /**
     * @param  list<float>  $values
     *
     * @throws InvalidSpectrum unless there are 36 values from 0 to 1
     */
    public static function of(array $values): self
    {
        return new self(Bands::parse($values, 'reflectance', 0.0, 1.0));
    }

    /** @throws InvalidSpectrum unless it is a list of 36 numbers from 0 to 1 */
    public static function parse(mixed $value, string $what = 'reflectance'): self
    {
        return new self(Bands::parse($value, $what, 0.0, 1.0));
    }

    /** @throws InvalidSpectrum unless 0 <= $fraction <= 1 */
    public static function flat(float $fraction): self
    {
        return self::of(array_fill(0, Bands::COUNT, $fraction));
    }
}

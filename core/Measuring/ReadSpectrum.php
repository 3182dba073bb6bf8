<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Reflectance;
use Hyalin\Optics\InvalidOptics;
use Hyalin\Optics\Surface;

/**
 * A spectrum as a reader gave it, without surface reflection, with the standard deviation of every band.
 */
final readonly class ReadSpectrum
{
    /** Standard deviations of a reading that are still noise. */
    private const DEVIATIONS = 4.0;

    /**
     * @param  list<float>  $values  reflectance by band, 0..1
     * @param  list<float>  $deviations  by band, > 0
     */
    private function __construct(public array $values, public array $deviations)
    {
    }

    /**
     * @param  float  $noise  standard deviation of every band, as reflectance
     *
     * @throws InvalidReadings unless it is more than 0 and less than 0.1
     */
    public static function of(Reflectance $inside, float $noise): self
    {
        return new self($inside->values, array_fill(0, count($inside->values), self::checked($noise)));
    }

    /**
     * Read from outside: what is near black or near white inside a film is known better or worse than it was read.
     *
     * @param  float  $noise  standard deviation of what was read, as reflectance
     *
     * @throws InvalidReadings unless the noise is more than 0 and less than 0.1
     * @throws InvalidOptics when a reading is darker than the surface reflection alone
     */
    public static function through(Surface $surface, Reflectance $seen, float $noise): self
    {
        self::checked($noise);
        $inside = $surface->inside($seen, self::DEVIATIONS * $noise)->values;
        $deviations = [];
        foreach ($inside as $r) {
            $deviations[] = $noise * (1 - $surface->internal * $r) ** 2 / $surface->gain;
        }

        return new self($inside, $deviations);
    }

    private static function checked(float $noise): float
    {
        return $noise > 0 && $noise < 0.1 ? $noise : throw InvalidReadings::noise($noise);
    }
}

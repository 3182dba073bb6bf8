<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * The one spectral sampling of Hyalin: 36 bands, 380 to 730 nm by 10 nm.
 */
final class Bands
{
    public const COUNT = 36;

    public const FIRST_NM = 380;

    public const STEP_NM = 10;

    /**
     * Reads 36 finite numbers from outside.
     *
     * @param  string  $what  what the numbers are, for the message: "reflectance", "K"
     * @return non-empty-list<float> 36 values, each from $min to $max
     *
     * @throws InvalidSpectrum when it is not a list of 36 numbers in that range; names the band in nanometres
     */
    public static function parse(mixed $value, string $what, float $min, float $max): array
    {
        if (! is_array($value) || ! array_is_list($value)) {
            throw InvalidSpectrum::notAList($what);
        }
        if (count($value) !== self::COUNT) {
            throw InvalidSpectrum::wrongCount($what, count($value));
        }
        $values = [];
        foreach ($value as $band => $number) {
            if (! is_int($number) && ! is_float($number)) {
                throw InvalidSpectrum::notANumber($what, self::nanometres($band));
            }
            if (! is_finite((float) $number) || $number < $min || $number > $max) {
                throw InvalidSpectrum::outOfRange($what, self::nanometres($band), (float) $number, $min, $max);
            }
            $values[] = (float) $number;
        }

        return $values;
    }

    /** @return int centre of the band in nm */
    public static function nanometres(int $band): int
    {
        return self::FIRST_NM + self::STEP_NM * $band;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\InvalidInput;

final class InvalidSpectrum extends InvalidInput
{
    public static function notAList(string $what): self
    {
        return new self("{$what} must be a list of 36 numbers, 380 to 730 nm by 10 nm");
    }

    /**
     * @param  string  $what  which spectrum
     * @param  int  $found  numbers given
     */
    public static function wrongCount(string $what, int $found): self
    {
        return new self("{$what} must have 36 numbers, 380 to 730 nm by 10 nm; {$found} found");
    }

    /**
     * @param  string  $what  which spectrum
     * @param  int  $nanometres  380 to 730
     */
    public static function notANumber(string $what, int $nanometres): self
    {
        return new self("{$what} at {$nanometres} nm is not a number");
    }

    /**
     * @param  string  $what  which spectrum
     * @param  int  $nanometres  380 to 730
     * @param  float  $min  smallest allowed
     * @param  float  $max  greatest allowed; INF where there is none
     */
    public static function outOfRange(string $what, int $nanometres, float $found, float $min, float $max): self
    {
        $allowed = is_infinite($max) ? "at least {$min}" : "from {$min} to {$max}";

        return new self("{$what} at {$nanometres} nm is {$found}; it must be finite and {$allowed}");
    }

    public static function notRecoverable(): self
    {
        return new self('no reflectance between 0 and 1 has this colour under this illuminant');
    }
}

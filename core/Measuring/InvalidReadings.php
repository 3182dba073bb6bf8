<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\InvalidInput;

final class InvalidReadings extends InvalidInput
{
    /** @param  int  $band  wavelength in nm */
    public static function cardsAlike(int $band): self
    {
        return new self(sprintf(
            'the white card is not lighter than the black one at %d nm: the two cards are the same or were exchanged',
            Bands::nanometres($band),
        ));
    }

    /**
     * @param  int  $band  wavelength in nm
     * @param  float  $overBlack  reflectance, 0..1
     * @param  float  $overWhite  reflectance, 0..1
     */
    public static function darkerOverWhite(int $band, float $overBlack, float $overWhite): self
    {
        return new self(sprintf(
            'the coat over white (%.3f) is darker than the coat over black (%.3f) at %d nm: the two were exchanged, or one coat is thicker',
            $overWhite,
            $overBlack,
            Bands::nanometres($band),
        ));
    }

    /**
     * @param  int  $band  wavelength in nm
     * @param  float  $overBlack  reflectance, 0..1
     * @param  float  $overWhite  reflectance, 0..1
     */
    public static function tooMuchLight(int $band, float $overBlack, float $overWhite): self
    {
        return new self(sprintf(
            'the coats over black (%.3f) and over white (%.3f) differ more at %d nm than the bare cards do: no film can do that',
            $overBlack,
            $overWhite,
            Bands::nanometres($band),
        ));
    }

    /**
     * @param  string  $reading  in words
     * @param  float  $residual  CIEDE2000 between what was read and what all readings together make of it
     */
    public static function notOfOnePaint(string $reading, float $residual): self
    {
        return new self(sprintf('%s is %.1f away from what the other readings make of it: they are not of one paint', $reading, $residual));
    }

    /** @param  float  $radius  CIEDE2000 */
    public static function radius(float $radius): self
    {
        return new self(sprintf('the uncertainty of a colour is more than 0 and less than 30, not %g', $radius));
    }

    /** @param  string  $coat  in words */
    public static function unpainted(string $coat): self
    {
        return new self("{$coat} reads as the bare card: it was left unpainted");
    }

    public static function bothUnpainted(): self
    {
        return new self('both coats read as the bare cards: they were left unpainted, or the pot is clear and has nothing to measure');
    }

    /** @param  float  $found  standard deviation of a reading, as reflectance */
    public static function noise(float $found): self
    {
        return new self("a repeatability of {$found}; it must be more than 0 and less than 0.1");
    }

    /** @param  float  $found  standard deviation of the thickness of a coat, relative */
    public static function coatSpread(float $found): self
    {
        return new self("a coat spread of {$found}; it must be from 0 to 1");
    }

    /**
     * @param  float  $paint  parts by volume
     * @param  float  $other  parts by volume
     */
    public static function tintParts(float $paint, float $other): self
    {
        return new self("a tint of {$paint} parts in {$other}; both must be more than 0");
    }

    public static function tintWithoutWhite(): self
    {
        return new self('a tint was read, but not with which white it was mixed');
    }

    public static function noChips(): self
    {
        return new self('no test chip was read yet');
    }

    public static function chipsTellNothing(): self
    {
        return new self('these chips say nothing about your technique: the paint has the colour of the card, or is so opaque that any film looks the same; use another card or a weaker paint');
    }
}

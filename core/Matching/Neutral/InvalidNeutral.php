<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

use Hyalin\InvalidInput;

/**
 * A picture cannot be neutralised on what was shown as neutral.
 */
final class InvalidNeutral extends InvalidInput
{
    public static function clipped(): self
    {
        return new self('a channel of this patch is clipped (0 or 255), so its true colour is not in the picture: choose a less bright part, or expose less');
    }

    /** @param  float  $bound  CIEDE2000 of one step of an 8 bit camera */
    public static function tooDark(float $bound): self
    {
        return new self(sprintf(
            'this patch is so dark that one step of the camera is a difference of ΔE %.0f: colours taken from this picture would be noise. Take the photo with more light',
            $bound,
        ));
    }

    /** @param  float  $distance  from the Planckian locus in CIE 1960 uv, green side positive */
    public static function notGrey(float $distance): self
    {
        return new self(sprintf(
            'no usual lamp makes a grey look like this: it is %.3f to the %s of all lamps. This patch is coloured; choose one that is grey or white',
            abs($distance),
            $distance > 0 ? 'green side' : 'purple side',
        ));
    }

    /** @param  float  $kelvin  correlated colour temperature */
    public static function noLamp(float $kelvin): self
    {
        return new self(sprintf(
            'a grey would look like this under a light of %s K, and nobody paints by such a light: the patch is %s. Choose one that is grey or white',
            number_format(round($kelvin, -2)),
            $kelvin < 5000 ? 'brown, orange or yellow' : 'blue',
        ));
    }

    /** @param  float  $spread  mean CIEDE2000 from the mean of the patch */
    public static function uneven(float $spread): self
    {
        return new self(sprintf('this patch is not one colour: its pixels differ by ΔE %.1f on average. Draw it smaller, inside the grey', $spread));
    }

    /** @param  float  $found  of the card, 0..1 */
    public static function reflectance(float $found): self
    {
        return new self(sprintf('a grey reflects between 0.02 and 1; %s was given', $found));
    }

    public static function corners(string $why): self
    {
        return new self("these four corners do not hold the chart: {$why}");
    }

    public static function turned(string $how): self
    {
        return new self("the patches fit when the chart is read {$how}: start at the centre of the dark brown patch, then bluish green, then black, then white");
    }

    /** @param  float  $mean  CIEDE2000 left over by the best fit */
    public static function noChart(float $mean): self
    {
        return new self(sprintf('these patches are not those of the chart: even the best fit leaves ΔE %.0f on average. Click the centres of the four corner patches', $mean));
    }

    public static function dependent(): self
    {
        return new self('the patches do not differ enough from each other to fit anything to them');
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Colour\InvalidSpectrum;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;

/**
 * K and S of a pot that nobody measured, by what it is: a clear one neither scatters nor, unless a tint is stated, absorbs;
 * any other is estimated from its dry colour in its own sheen.
 */
final class PotEstimate
{
    /**
     * @param  Srgb  $thick  seen colour of a thick layer in the pot's own sheen; says nothing of a clear pot
     * @param  Srgb|null  $tint  seen colour of one coat of a clear pot over white; null for none
     *
     * @throws InvalidSpectrum when the colour cannot be that of a surface
     */
    public static function of(PotKind $kind, Sheen $sheen, Srgb $thick, Opacity $opacity, TintingStrength $strength, ?Srgb $tint = null): PaintOptics
    {
        if (! $kind->isClear()) {
            return PaintEstimate::fromColour($thick, $opacity, $strength, $sheen);
        }
        if ($tint !== null) {
            return PaintEstimate::tinted($tint);
        }
        $clear = PaintOptics::clear();

        return PaintOptics::of($clear->k, $clear->s, OpticsQuality::Estimated);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * Colours a display cannot show: chroma is reduced at constant L* and hue until sRGB holds the colour.
 */
final readonly class GamutMapping
{
    private function __construct(public Srgb $shown, public bool $wasOutside)
    {
    }

    /** A colour as a display shows it: adapted to the display's white, D65, and mapped into its gamut. */
    public static function displayed(Lab $colour): self
    {
        return self::toSrgb($colour->white === Illuminant::D65 ? $colour : $colour->toXyz()->adaptedTo(Illuminant::D65)->toLab());
    }

    /** @param  Lab  $colour  relative to D65 */
    public static function toSrgb(Lab $colour): self
    {
        $srgb = $colour->toXyz()->toSrgb();
        if ($srgb->isInGamut(1e-6)) {
            return new self($srgb, false);
        }
        $lch = $colour->toXyz()->adaptedTo(Illuminant::D65)->toLab()->toLch();
        $inside = 0.0;
        $outside = $lch->chroma;
        // Halving the interval 20 times leaves less than 0.001 of any chroma below 1000.
        for ($i = 0; $i < 20; $i++) {
            $middle = ($inside + $outside) / 2;
            if ($lch->withChroma($middle)->toLab()->toXyz()->toSrgb()->isInGamut()) {
                $inside = $middle;
            } else {
                $outside = $middle;
            }
        }

        return new self($lch->withChroma($inside)->toLab()->toXyz()->toSrgb(), true);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * Everyday names for directions in the a*, b* plane. The limits are own estimates from the hue angles of sRGB's
 * primaries and of the CIE test colour samples.
 */
final class HueName
{
    private const LIMITS = [
        15 => 'pink', 48 => 'red', 72 => 'orange', 104 => 'yellow', 128 => 'yellow-green', 175 => 'green',
        225 => 'turquoise', 265 => 'sky blue', 310 => 'blue', 340 => 'violet', 360 => 'pink',
    ];

    /** L* up to which, and chroma below which, an orange is a brown. */
    private const BROWN_UP_TO = 56.0;

    private const BROWN_CHROMA = 58.0;

    public static function of(Lab $colour): string
    {
        $hue = $colour->toLch()->hue;
        foreach (self::LIMITS as $limit => $name) {
            if ($hue < $limit) {
                return $name;
            }
        }

        return 'pink';
    }

    /**
     * What has a name of its own when it is dark: a dark orange is a brown, a dark yellow an olive (the names of the ISCC-NBS
     * method, NBS Circular 553 (1955); limits in CIELAB are own estimates).
     */
    private static function darkName(Lch $lch): ?string
    {
        return match (true) {
            $lch->lightness >= self::BROWN_UP_TO || $lch->chroma >= self::BROWN_CHROMA => null,
            $lch->hue >= 38 && $lch->hue < 92 => 'brown',
            $lch->hue >= 92 && $lch->hue < 122 => 'olive',
            default => null,
        };
    }

    /** @return string a short name such as "dark dull green", for those who cannot see the swatch */
    public static function describe(Lab $colour): string
    {
        $lch = $colour->toLch();
        $light = match (true) {
            $lch->lightness < 15 => 'very dark',
            $lch->lightness < 38 => 'dark',
            $lch->lightness < 65 => 'mid',
            $lch->lightness < 88 => 'light',
            default => 'very light',
        };
        if ($lch->chroma < 5) {
            return match (true) {
                $lch->lightness < 10 => 'black',
                $lch->lightness > 94 => 'white',
                default => "{$light} grey",
            };
        }
        $chroma = match (true) {
            $lch->chroma < 18 => 'greyish ',
            $lch->chroma < 40 => 'dull ',
            $lch->chroma > 70 => 'vivid ',
            default => '',
        };

        return "{$light} {$chroma}".(self::darkName($lch) ?? self::of($colour));
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Matching\Comparison;

use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Lab;

/**
 * How one colour differs from another, as CIEDE2000 and its parts, and in words a painter can act on.
 */
final readonly class ComparedColours
{
    /** A part smaller than this is not worth a word. */
    private const WORTH_A_WORD = 0.7;

    /** Below this chroma a hue is nothing one would name. */
    private const GREY = 4.0;

    /**
     * @param  float  $difference  CIEDE2000
     * @param  float  $lightness  its part in lightness, positive when lighter than wanted
     * @param  float  $chroma  its part in chroma, positive when more chromatic
     * @param  float  $hue  what is left: its part in hue, >= 0
     * @param  list<string>  $words  "lighter", "duller", "redder"; none when it is the same to the eye
     */
    private function __construct(
        public float $difference,
        public float $lightness,
        public float $chroma,
        public float $hue,
        public array $words,
    ) {
    }

    public static function of(Lab $wanted, Lab $found): self
    {
        $difference = Ciede2000::between($wanted->lightness, $wanted->a, $wanted->b, $found->lightness, $found->a, $found->b);
        // The parts of the formula stand alone when only one of the three differs.
        $lightness = Ciede2000::between($wanted->lightness, $wanted->a, $wanted->b, $found->lightness, $wanted->a, $wanted->b);
        $c1 = hypot($wanted->a, $wanted->b);
        $c2 = hypot($found->a, $found->b);
        [$ux, $uy] = $c1 > 1e-6 ? [$wanted->a / $c1, $wanted->b / $c1] : ($c2 > 1e-6 ? [$found->a / $c2, $found->b / $c2] : [1.0, 0.0]);
        $chroma = Ciede2000::between(50, $ux * $c1, $uy * $c1, 50, $ux * $c2, $uy * $c2);
        $hue = sqrt(max(0.0, $difference ** 2 - $lightness ** 2 - $chroma ** 2));
        $lightness *= $found->lightness >= $wanted->lightness ? 1 : -1;
        $chroma *= $c2 >= $c1 ? 1 : -1;

        return new self($difference, $lightness, $chroma, $hue, self::words($wanted, $found, $lightness, $chroma, $hue));
    }

    /** @return list<string> largest part first */
    private static function words(Lab $wanted, Lab $found, float $lightness, float $chroma, float $hue): array
    {
        $parts = [];
        if (abs($lightness) >= self::WORTH_A_WORD) {
            $parts[$lightness > 0 ? 'lighter' : 'darker'] = abs($lightness);
        }
        $grey = hypot($wanted->a, $wanted->b) < self::GREY;
        if ($grey && max(abs($chroma), $hue) >= self::WORTH_A_WORD) {
            // A grey that has a colour: what matters is which.
            $parts[self::towards($found->a - $wanted->a, $found->b - $wanted->b)] = max(abs($chroma), $hue);
        } else {
            if (abs($chroma) >= self::WORTH_A_WORD) {
                $parts[$chroma > 0 ? 'more saturated' : 'duller'] = abs($chroma);
            }
            if ($hue >= self::WORTH_A_WORD) {
                $scale = hypot($wanted->a, $wanted->b) / max(1e-6, hypot($found->a, $found->b));
                $parts[self::towards($scale * $found->a - $wanted->a, $scale * $found->b - $wanted->b)] = $hue;
            }
        }
        arsort($parts);

        return array_keys($parts);
    }

    /** @return string the nearest of the four unique hues, CIELAB hue angles 24, 90, 162 and 246 degrees (Hunt, 1998) */
    private static function towards(float $a, float $b): string
    {
        $angle = fmod(rad2deg(atan2($b, $a)) + 360.0, 360.0);
        $best = 'redder';
        $least = INF;
        foreach (['redder' => 24.0, 'yellower' => 90.0, 'greener' => 162.0, 'bluer' => 246.0] as $word => $unique) {
            $off = abs(fmod($angle - $unique + 540.0, 360.0) - 180.0);
            if ($off < $least) {
                $least = $off;
                $best = $word;
            }
        }

        return $best;
    }
}

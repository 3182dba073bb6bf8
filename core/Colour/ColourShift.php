<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * One colour said by another: lighter by so much, a hint warmer.
 */
enum ColourShift: string
{
    case Lighter = 'lighter';
    case Darker = 'darker';
    case Warmer = 'warmer';
    case Cooler = 'cooler';
    case Stronger = 'more saturated';
    case Duller = 'duller';

    /** CIELAB hue angle, in degrees, that painters call warm: orange; own choice. */
    private const WARM = 60.0;

    /** @return float amount that painters usually mean: own estimate */
    public function usual(): float
    {
        return match ($this) {
            self::Lighter, self::Darker => 10.0,
            self::Stronger, self::Duller => 8.0,
            self::Warmer, self::Cooler => 5.0,
        };
    }

    /**
     * @param  float  $amount  in CIELAB units: of L* for lighter and darker, of chroma for more saturated and duller, towards orange
     *                         or away from it for warmer and cooler; > 0
     */
    public function of(Lab $lab, float $amount): Lab
    {
        $chroma = hypot($lab->a, $lab->b);
        $along = static fn (float $by): Lab => $chroma > 1e-6
            ? Lab::of($lab->lightness, $lab->a * max(0.0, $chroma + $by) / $chroma, $lab->b * max(0.0, $chroma + $by) / $chroma, $lab->white)
            : $lab;
        $towardsWarm = static fn (float $by): Lab => Lab::of($lab->lightness, $lab->a + $by * cos(deg2rad(self::WARM)), $lab->b + $by * sin(deg2rad(self::WARM)), $lab->white);

        return match ($this) {
            self::Lighter => Lab::of(min(100.0, $lab->lightness + $amount), $lab->a, $lab->b, $lab->white),
            self::Darker => Lab::of(max(0.0, $lab->lightness - $amount), $lab->a, $lab->b, $lab->white),
            self::Warmer => $towardsWarm($amount),
            self::Cooler => $towardsWarm(-$amount),
            self::Stronger => $along($amount),
            self::Duller => $along(-$amount),
        };
    }
}

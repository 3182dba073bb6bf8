<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;

/**
 * A whole ramp from one stroke that runs from shade to light: its pixels in five bands of equal lightness, the darkest
 * and the lightest hundredth left out. A band that hardly any pixel falls into has no colour of its own.
 */
final class StrokeRamp
{
    private const LEAST_PIXELS = 40;

    private const LEAST_IN_A_ZONE = 6;

    private const LEAST_RANGE = 6.0;

    /**
     * @param  list<int>  $packed  8-bit sRGB pixels
     * @return array<string, SampleStatistics> by zone, recess to edge
     *
     * @throws InvalidSample when the stroke is too short or of one tone
     */
    public static function of(array $packed, ?ColourCorrection $correction = null): array
    {
        if (count($packed) < self::LEAST_PIXELS) {
            throw InvalidSample::strokeTooShort(count($packed));
        }
        $known = $lightness = [];
        foreach ($packed as $i => $pixel) {
            $lightness[$i] = $known[$pixel] ??= self::lightness($pixel, $correction);
        }
        $sorted = $lightness;
        sort($sorted);
        $low = $sorted[(int) floor(0.01 * (count($sorted) - 1))];
        $high = $sorted[(int) ceil(0.99 * (count($sorted) - 1))];
        if ($high - $low < self::LEAST_RANGE) {
            throw InvalidSample::strokeOfOneTone($high - $low);
        }
        $zones = Zone::cases();
        $bands = [];
        foreach ($packed as $i => $pixel) {
            if ($lightness[$i] >= $low && $lightness[$i] <= $high) {
                $bands[min(count($zones) - 1, (int) floor(count($zones) * ($lightness[$i] - $low) / ($high - $low)))][] = $pixel;
            }
        }
        $ramp = [];
        foreach ($zones as $n => $zone) {
            if (count($bands[$n] ?? []) >= self::LEAST_IN_A_ZONE) {
                $ramp[$zone->value] = SampleStatistics::of($bands[$n], $correction);
            }
        }

        return $ramp;
    }

    private static function lightness(int $pixel, ?ColourCorrection $correction): float
    {
        $light = [Srgb::decode(($pixel >> 16) / 255), Srgb::decode((($pixel >> 8) & 255) / 255), Srgb::decode(($pixel & 255) / 255)];

        return Srgb::fromLinear($correction?->corrected($light) ?? $light)->toXyz()->toLab()->lightness;
    }
}

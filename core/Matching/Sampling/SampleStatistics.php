<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;

/**
 * One colour out of many pixels of a picture: the mean of linear light, because that is what the eye averages from a
 * distance, with the darkest and the lightest tenth left out, so that a glint or a speck does not decide.
 */
final readonly class SampleStatistics
{
    private const TRIM = 0.1;

    /** Pixels whose distance to the mean is computed: enough for a spread that is stable to a tenth. */
    private const SPREAD_PIXELS = 400;

    /**
     * @param  float  $spread  mean CIEDE2000 of the pixels to the mean colour
     * @param  float  $clipped  fraction of the pixels with a channel at 0 or 255
     */
    private function __construct(public Lab $colour, public float $spread, public int $pixels, public float $clipped)
    {
    }

    /**
     * @param  list<int>  $packed  8-bit sRGB pixels, each red * 65536 + green * 256 + blue
     * @param  ColourCorrection|null  $correction  of the picture they are from
     *
     * @throws InvalidSample when there are no pixels
     */
    public static function of(array $packed, ?ColourCorrection $correction = null): self
    {
        if ($packed === []) {
            throw InvalidSample::noPixels();
        }
        $linear = self::decodeTable();
        // Luminance first: the pixels are trimmed by it. Flat lists, as a lasso may hold a million pixels.
        $luminance = [];
        $clipped = 0;
        foreach ($packed as $i => $p) {
            $r = $p >> 16;
            $g = ($p >> 8) & 255;
            $b = $p & 255;
            $luminance[$i] = 0.2126 * $linear[$r] + 0.7152 * $linear[$g] + 0.0722 * $linear[$b];
            if ($r === 0 || $g === 0 || $b === 0 || $r === 255 || $g === 255 || $b === 255) {
                $clipped++;
            }
        }
        asort($luminance);
        $cut = (int) floor(count($packed) * self::TRIM);
        $kept = array_slice(array_keys($luminance), $cut, count($packed) - 2 * $cut);
        $colours = [];
        $mean = [0.0, 0.0, 0.0];
        foreach ($kept as $i) {
            $p = $packed[$i];
            $light = $colours[$p] ??= self::light($p, $linear, $correction);
            $mean[0] += $light[0];
            $mean[1] += $light[1];
            $mean[2] += $light[2];
        }
        $n = count($kept);
        $colour = Srgb::fromLinear([$mean[0] / $n, $mean[1] / $n, $mean[2] / $n])->toXyz()->toLab();

        return new self($colour, self::spread($packed, $kept, $colours, $colour), count($packed), $clipped / count($packed));
    }

    /**
     * @param  list<float>  $decoded
     * @return array{float, float, float}
     */
    private static function light(int $packed, array $decoded, ?ColourCorrection $correction): array
    {
        $light = [$decoded[$packed >> 16], $decoded[($packed >> 8) & 255], $decoded[$packed & 255]];

        return $correction === null ? $light : $correction->corrected($light);
    }

    /**
     * @param  list<int>  $packed
     * @param  list<int>  $kept
     * @param  array<int, array{float, float, float}>  $colours  linear light by packed pixel
     */
    private static function spread(array $packed, array $kept, array $colours, Lab $colour): float
    {
        $stride = max(1, intdiv(count($kept), self::SPREAD_PIXELS));
        $sum = 0.0;
        $n = 0;
        for ($i = 0; $i < count($kept); $i += $stride) {
            $pixel = Srgb::fromLinear($colours[$packed[$kept[$i]]]);
            $sum += DifferenceFormula::Ciede2000->between($colour, $pixel->toXyz()->toLab());
            $n++;
        }

        return $sum / max(1, $n);
    }

    /** @return list<float> linear light of the 256 codes */
    private static function decodeTable(): array
    {
        return array_map(static fn (int $code): float => Srgb::decode($code / 255), range(0, 255));
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

use Hyalin\Colour\Bradford;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\CieLab;
use Hyalin\Colour\ColourTemperature;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Colour\Xyz;
use Hyalin\Matching\Sampling\ColourCorrection;
use Hyalin\Matching\Sampling\SampleStatistics;
use Hyalin\Numeric\Matrix3;

/**
 * White balance and exposure from one patch that is known to be neutral: chromatic adaptation by Bradford from the
 * colour it has in the picture to that of D65 and, where its reflectance is known, to its true luminance.
 */
final readonly class GreyPatch implements ColourCorrection
{
    /** Beyond this no lamp, daylight or mixture is found: own estimate; fluorescent lamps stay within 0.02. */
    private const FARTHEST_LAMP = 0.025;

    /** One step of the camera that makes a larger CIEDE2000 than this leaves only noise. */
    private const NOISE = 6.0;

    private const UNEVEN = 5.0;

    /** A grey as warm or as blue as no lamp makes it is a coloured thing; nearer than that it is asked about. Kelvin, own estimates. */
    private const WARMEST = 2_200.0;

    private const BLUEST = 14_000.0;

    private const WARM = 2_750.0;

    private const BLUE = 9_500.0;

    /**
     * How far colours are from the truth that only a grey was known of: CIEDE2000 that half stay within and nineteen of twenty, over
     * the reciprocal megakelvins of the lamp. Computed for the 170 surfaces of M. J. Vrhel, R. Gershon, L. S. Iwan, Color Res. Appl.
     * 19, 4 (1994), under D65, D50, a phosphor LED of 4323 K and A, by a camera that sees as sRGB does.
     */
    private const HALF = [[154.0, 0.2], [200.0, 0.9], [231.0, 1.7], [350.0, 2.5]];

    private const MOST = [[154.0, 0.7], [200.0, 1.8], [231.0, 2.9], [350.0, 8.0]];

    /** And what a camera that does not see so adds: own estimate. */
    private const CAMERA_HALF = 1.5;

    private const CAMERA_MOST = 3.5;

    /**
     * @param  ColourTemperature  $lamp  of the light in the picture, as this camera saw it
     * @param  float  $bound  CIEDE2000 that one 8-bit step at the patch makes: colours as dark are not known better
     */
    private function __construct(
        private Matrix3 $matrix,
        public ColourTemperature $lamp,
        public float $bound,
        public float $exposure,
    ) {
    }

    /**
     * @param  SampleStatistics  $patch  of the picture as it is
     * @param  float|null  $reflectance  of the grey, 0.02..1; null leaves the exposure as it is
     *
     * @throws InvalidNeutral when it is clipped, uneven, too dark, or of a colour no lamp gives to a grey
     */
    public static function of(SampleStatistics $patch, ?float $reflectance): self
    {
        if ($reflectance !== null && ! ($reflectance >= 0.02 && $reflectance <= 1.0)) {
            throw InvalidNeutral::reflectance($reflectance);
        }
        if ($patch->clipped > 0.02) {
            throw InvalidNeutral::clipped();
        }
        if ($patch->spread > self::UNEVEN) {
            throw InvalidNeutral::uneven($patch->spread);
        }
        $seen = $patch->colour->toXyz();
        $bound = self::oneStep($seen->toSrgb());
        if ($bound > self::NOISE) {
            throw InvalidNeutral::tooDark($bound);
        }
        $lamp = ColourTemperature::of($seen);
        if (abs($lamp->distance) > self::FARTHEST_LAMP) {
            throw InvalidNeutral::notGrey($lamp->distance);
        }
        if ($lamp->kelvin < self::WARMEST || $lamp->kelvin > self::BLUEST) {
            throw InvalidNeutral::noLamp($lamp->kelvin);
        }
        $luminance = $reflectance === null ? $seen->y : 100 * $reflectance;
        $white = SpectralSum::under(Illuminant::D65)->white();
        $to = array_map(static fn (float $v): float => $v * $luminance / 100, $white);

        return new self(self::matrix($seen->toArray(), [$to[0], $to[1], $to[2]]), $lamp, $bound, $luminance / $seen->y);
    }

    /** @return bool whether it may be a coloured thing and no grey: few lamps are that warm, and no daylight that blue */
    public function isDoubtful(): bool
    {
        return $this->lamp->kelvin < self::WARM || $this->lamp->kelvin > self::BLUE;
    }

    /** @return array{float, float} CIEDE2000 that half of the colours of the picture stay within, and nineteen of twenty; an estimate */
    public function expected(): array
    {
        // Bluer than daylight misses as much as warmer.
        $mired = 154 + abs(1e6 / $this->lamp->kelvin - 154);

        return [
            sqrt(self::interpolated(self::HALF, $mired) ** 2 + self::CAMERA_HALF ** 2 + $this->bound ** 2),
            sqrt(self::interpolated(self::MOST, $mired) ** 2 + self::CAMERA_MOST ** 2 + 4 * $this->bound ** 2),
        ];
    }

    /**
     * @param  non-empty-list<array{float, float}>  $points  rising in the first
     * @return float the second on straight lines between them, beyond them on the last
     */
    private static function interpolated(array $points, float $at): float
    {
        [$from, $to] = [$points[0], $points[1] ?? $points[0]];
        foreach ($points as $i => $point) {
            if ($i > 0 && $at > $from[0]) {
                [$from, $to] = [$points[$i - 1], $point];
            }
            if ($at <= $point[0]) {
                break;
            }
        }

        return $from[1] + ($to[1] - $from[1]) * ($at - $from[0]) / ($to[0] - $from[0]);
    }

    public function corrected(array $linear): array
    {
        return $this->matrix->times($linear);
    }

    /**
     * Bradford adaptation is linear: what it does to the three primaries says all.
     *
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     */
    private static function matrix(array $from, array $to): Matrix3
    {
        $columns = [];
        foreach ([[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]] as $primary) {
            $xyz = Bradford::between(Srgb::fromLinear($primary)->toXyz()->toArray(), $from, $to);
            $columns[] = Xyz::of(...$xyz)->toSrgb()->linear();
        }

        return Matrix3::of([
            [$columns[0][0], $columns[1][0], $columns[2][0]],
            [$columns[0][1], $columns[1][1], $columns[2][1]],
            [$columns[0][2], $columns[1][2], $columns[2][2]],
        ]);
    }

    /** @return float CIEDE2000 of one step of 255 in a single channel, once the patch is brought to mid grey */
    private static function oneStep(Srgb $seen): float
    {
        $most = 0.0;
        foreach ($seen->toArray() as $v) {
            $here = Srgb::decode($v);
            $ratio = $here <= 0 ? 2.0 : Srgb::decode($v + 1 / 255) / $here;
            // At mid grey, Y = 0.18: the step is as large a share of the light as it was in the dark.
            $grey = CieLab::fromRatios(0.18, 0.18, 0.18);
            $off = CieLab::fromRatios(0.18, 0.18 * (1 + ($ratio - 1) / 3), 0.18 * $ratio);
            $most = max($most, Ciede2000::between($grey[0], $grey[1], $grey[2], $off[0], $off[1], $off[2]));
        }

        return $most;
    }
}

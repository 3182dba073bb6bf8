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
        $luminance = $reflectance === null ? $seen->y : 100 * $reflectance;
        $white = SpectralSum::under(Illuminant::D65)->white();
        $to = array_map(static fn (float $v): float => $v * $luminance / 100, $white);

        return new self(self::matrix($seen->toArray(), [$to[0], $to[1], $to[2]]), $lamp, $bound, $luminance / $seen->y);
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

<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\ColourMetric;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\InvalidSpectrum;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\InvalidOptics;
use Hyalin\Optics\Surface;

/**
 * A spectrum as a reader gave it, without surface reflection, with the standard deviation of every band. Where only a colour was
 * read, it is one of the many spectra of that colour, and what was really read are three sums over the bands.
 */
final readonly class ReadSpectrum
{
    /** Standard deviations of a reading that are still noise. */
    private const DEVIATIONS = 4.0;

    /** Radius of three equal normal errors that holds two of three, in their standard deviations (chi of 3 degrees of freedom). */
    private const TWO_THIRDS = 1.878;

    private const WIDEST = 30.0;

    /** A step of CIEDE2000 in the reflectance of a single band: own estimate, for judging a band alone. */
    private const OF_A_BAND = 0.006;

    /**
     * @param  list<float>  $values  reflectance by band, 0..1
     * @param  list<float>  $deviations  by band, > 0
     * @param  list<array{array<int, float>, float}>  $sums  what was read: factors by band, over its standard deviation, and what
     *                                                      they add up to, likewise
     */
    private function __construct(public array $values, public array $deviations, public array $sums)
    {
    }

    /**
     * @param  float  $noise  standard deviation of every band, as reflectance
     *
     * @throws InvalidReadings unless it is more than 0 and less than 0.1
     */
    public static function of(Reflectance $inside, float $noise): self
    {
        return self::byBand($inside->values, array_fill(0, count($inside->values), self::checked($noise)));
    }

    /**
     * Read from outside: what is near black or near white inside a film is known better or worse than it was read.
     *
     * @param  float  $noise  standard deviation of what was read, as reflectance
     *
     * @throws InvalidReadings unless the noise is more than 0 and less than 0.1
     * @throws InvalidOptics when a reading is darker than the surface reflection alone
     */
    public static function through(Surface $surface, Reflectance $seen, float $noise): self
    {
        self::checked($noise);
        $inside = $surface->inside($seen, self::DEVIATIONS * $noise)->values;
        $deviations = [];
        foreach ($inside as $r) {
            $deviations[] = $noise * (1 - $surface->internal * $r) ** 2 / $surface->gain;
        }

        return self::byBand($inside, $deviations);
    }

    /**
     * A colour that was read from outside, under D65: by a camera, or by eye.
     *
     * @param  float  $radius  CIEDE2000 within which it lies two out of three times, > 0
     *
     * @throws InvalidReadings unless the radius is more than 0 and less than 30
     * @throws InvalidSpectrum when no surface has this colour
     */
    public static function ofColour(Surface $surface, Lab $seen, float $radius): self
    {
        if (! ($radius > 0 && $radius < self::WIDEST)) {
            throw InvalidReadings::radius($radius);
        }
        $inside = $surface->insideOrBlack(SpectralRecovery::within($seen))->values;
        $sum = SpectralSum::under(Illuminant::D65);
        $slopes = $deviations = [];
        foreach ($inside as $r) {
            $slopes[] = $slope = $surface->gain / (1 - $surface->internal * $r) ** 2;
            $deviations[] = self::OF_A_BAND * $radius / $slope;
        }
        $metric = ColourMetric::at(...$seen->toArray());
        $one = $radius / self::TWO_THIRDS;
        $sums = $rows = [];
        foreach (self::ofLab($seen, $sum) as $n => $factors) {
            $rows[$n] = array_map(static fn (float $factor, float $slope): float => $factor * $slope / $one, $factors, $slopes);
        }
        foreach ([0, 1, 2] as $n) {
            $row = [];
            $total = 0.0;
            foreach ($inside as $band => $r) {
                $row[$band] = $metric->of([$rows[0][$band] ?? 0.0, $rows[1][$band] ?? 0.0, $rows[2][$band] ?? 0.0])[$n];
                $total += $row[$band] * $r;
            }
            $sums[] = [$row, $total];
        }

        return new self($inside, $deviations, $sums);
    }

    /**
     * Derivatives of L*, a* and b* by each band of the reflectance, near a colour.
     *
     * @return array{list<float>, list<float>, list<float>}
     */
    private static function ofLab(Lab $at, SpectralSum $sum): array
    {
        [$xn, $yn, $zn] = $sum->white();
        $xyz = $at->toXyz();
        $slope = static fn (float $ratio): float => $ratio > 216 / 24389 ? 1 / (3 * $ratio ** (2 / 3)) : 841 / 108;
        $fx = array_map(static fn (float $w): float => $slope($xyz->x / $xn) * $w / $xn, $sum->x);
        $fy = array_map(static fn (float $w): float => $slope($xyz->y / $yn) * $w / $yn, $sum->y);
        $fz = array_map(static fn (float $w): float => $slope($xyz->z / $zn) * $w / $zn, $sum->z);

        return [
            array_map(static fn (float $y): float => 116 * $y, $fy),
            array_map(static fn (float $x, float $y): float => 500 * ($x - $y), $fx, $fy),
            array_map(static fn (float $y, float $z): float => 200 * ($y - $z), $fy, $fz),
        ];
    }

    /**
     * @param  list<float>  $values
     * @param  list<float>  $deviations
     */
    private static function byBand(array $values, array $deviations): self
    {
        $sums = [];
        foreach ($values as $band => $value) {
            $sums[] = [[$band => 1 / $deviations[$band]], $value / $deviations[$band]];
        }

        return new self($values, $deviations, $sums);
    }

    /** @return bool whether every band was read, and not their sums alone */
    public function isSpectrum(): bool
    {
        return count($this->sums) === count($this->values);
    }

    private static function checked(float $noise): float
    {
        return $noise > 0 && $noise < 0.1 ? $noise : throw InvalidReadings::noise($noise);
    }
}

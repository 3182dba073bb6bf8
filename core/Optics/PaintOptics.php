<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\Bands;
use Hyalin\Colour\InvalidSpectrum;
use Hyalin\Colour\Reflectance;

/**
 * Optical properties of a paint or a mix: absorption K and scattering S on the 36 bands, per reference coat, both >= 0.
 */
final readonly class PaintOptics
{
    /**
     * @param  list<float>  $k
     * @param  list<float>  $s
     */
    private function __construct(public array $k, public array $s, public OpticsQuality $quality)
    {
    }

    /**
     * @param  list<float>  $k
     * @param  list<float>  $s
     *
     * @throws InvalidSpectrum unless both have 36 finite values >= 0
     */
    public static function of(array $k, array $s, OpticsQuality $quality): self
    {
        return self::parse($k, $s, $quality);
    }

    /** @throws InvalidSpectrum unless both are lists of 36 finite numbers >= 0 */
    public static function parse(mixed $k, mixed $s, OpticsQuality $quality): self
    {
        return new self(Bands::parse($k, 'K', 0.0, INF), Bands::parse($s, 'S', 0.0, INF), $quality);
    }

    /** Medium, water or thinner: takes up volume and does nothing to light. */
    public static function clear(): self
    {
        $none = array_fill(0, Bands::COUNT, 0.0);

        return new self($none, $none, OpticsQuality::Measured);
    }

    /**
     * Paints stirred together: K and S add by volume fraction (D. R. Duncan, Proc. Phys. Soc. 52, 390 (1940)).
     *
     * @param  non-empty-list<array{self, float}>  $ingredients  each with its parts by volume, > 0
     *
     * @throws InvalidOptics without ingredients or with parts that are not positive
     */
    public static function mixed(array $ingredients): self
    {
        $total = 0.0;
        foreach ($ingredients as [, $parts]) {
            if (! is_finite($parts) || $parts <= 0) {
                throw InvalidOptics::parts($parts);
            }
            $total += $parts;
        }
        $k = $s = array_fill(0, Bands::COUNT, 0.0);
        $quality = OpticsQuality::Measured;
        foreach ($ingredients as [$paint, $parts]) {
            $fraction = $parts / $total;
            foreach ($k as $band => $_) {
                $k[$band] += $fraction * $paint->k[$band];
                $s[$band] += $fraction * $paint->s[$band];
            }
            $quality = $quality->orWorse($paint->quality);
        }

        return new self(array_values($k), array_values($s), $quality);
    }

    /**
     * @param  float  $fraction  paint in the whole volume, 0 < f <= 1; 0.25 is one part paint and three parts water
     *
     * @throws InvalidOptics outside that range
     */
    public function thinnedTo(float $fraction): self
    {
        if (! is_finite($fraction) || $fraction <= 0 || $fraction > 1) {
            throw InvalidOptics::fraction($fraction);
        }

        return $this->scaled($fraction);
    }

    /** The same hue with a pigment load of $factor times as much. */
    public function scaled(float $factor): self
    {
        return $this->times($factor, $factor);
    }

    /**
     * @param  float  $k  what the absorption is multiplied by, >= 0
     * @param  float  $s  what the scattering is multiplied by, >= 0
     */
    public function times(float $k, float $s): self
    {
        $scaled = static fn (float $factor): callable => static fn (float $v): float => $v * $factor;

        return new self(array_map($scaled($k), $this->k), array_map($scaled($s), $this->s), $this->quality);
    }

    /**
     * The same absorption with less or more scattering: pigment that has run away from where the medium pools.
     *
     * @param  float  $factor  0 or more
     */
    public function withScattering(float $factor): self
    {
        return $factor === 1.0 ? $this : $this->times(1.0, $factor);
    }

    /** @return Reflectance of a layer so thick that nothing beneath shows; without surface reflection */
    public function masstone(): Reflectance
    {
        return Reflectance::of(array_map(KubelkaMunk::masstone(...), $this->k, $this->s));
    }

    /** @return Reflectance of one film over what lies beneath; without surface reflection */
    public function filmOver(Reflectance $beneath, FilmThickness $thickness): Reflectance
    {
        $values = [];
        foreach ($beneath->values as $band => $below) {
            $values[] = KubelkaMunk::film($this->k[$band], $this->s[$band], $thickness->coats, $below);
        }

        return Reflectance::of(self::withinBounds($values));
    }

    /**
     * @param  list<float>  $values
     * @return list<float> rounding in the last digit does not push a reflectance out of 0..1
     */
    private static function withinBounds(array $values): array
    {
        return array_map(static fn (float $v): float => max(0.0, min(1.0, $v)), $values);
    }
}

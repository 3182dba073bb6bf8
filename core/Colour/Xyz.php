<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * CIE 1931 tristimulus values, Y = 100 for the perfect diffuser, under the illuminant they were summed for.
 */
final readonly class Xyz
{
    private function __construct(public float $x, public float $y, public float $z, public Illuminant $white)
    {
    }

    /** @throws InvalidColour unless all three are finite */
    public static function of(float $x, float $y, float $z, Illuminant $white = Illuminant::D65): self
    {
        return self::parse([$x, $y, $z], $white);
    }

    /** @throws InvalidColour unless it is a list of three finite numbers */
    public static function parse(mixed $value, Illuminant $white = Illuminant::D65): self
    {
        return new self(...Components::parse($value, 'XYZ'), white: $white);
    }

    public function toLab(): Lab
    {
        [$xn, $yn, $zn] = SpectralSum::under($this->white)->white();

        return Lab::of(...CieLab::fromRatios($this->x / $xn, $this->y / $yn, $this->z / $zn), white: $this->white);
    }

    /** @return Srgb unclipped; other whites than D65 are adapted by Bradford */
    public function toSrgb(): Srgb
    {
        return Srgb::fromXyz($this);
    }

    public function adaptedTo(Illuminant $white): self
    {
        return Bradford::adapt($this, $white);
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->x, $this->y, $this->z];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * CIELAB relative to the 36-band white of an illuminant: L* 0..100 for reflecting surfaces, a*, b* about -130..130.
 */
final readonly class Lab
{
    private function __construct(
        public float $lightness,
        public float $a,
        public float $b,
        public Illuminant $white,
    ) {
    }

    /** @throws InvalidColour unless all three are finite */
    public static function of(float $lightness, float $a, float $b, Illuminant $white = Illuminant::D65): self
    {
        return self::parse([$lightness, $a, $b], $white);
    }

    /** @throws InvalidColour unless it is a list of three finite numbers */
    public static function parse(mixed $value, Illuminant $white = Illuminant::D65): self
    {
        return new self(...Components::parse($value, 'Lab'), white: $white);
    }

    public function toXyz(): Xyz
    {
        [$x, $y, $z] = CieLab::toRatios($this->lightness, $this->a, $this->b);
        [$xn, $yn, $zn] = SpectralSum::under($this->white)->white();

        return Xyz::of($x * $xn, $y * $yn, $z * $zn, $this->white);
    }

    /** @return self the grey of the same lightness */
    public function toGrey(): self
    {
        return self::of($this->lightness, 0.0, 0.0, $this->white);
    }

    public function toLch(): Lch
    {
        return Lch::of($this->lightness, hypot($this->a, $this->b), self::hueDegrees($this->a, $this->b), $this->white);
    }

    /** @return float hue angle in degrees, 0 <= h < 360; 0 for a neutral */
    private static function hueDegrees(float $a, float $b): float
    {
        $h = rad2deg(atan2($b, $a));

        return $h < 0 ? $h + 360 : $h;
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->lightness, $this->a, $this->b];
    }
}

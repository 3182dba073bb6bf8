<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * CIELAB in cylindrical form: L*, chroma C* >= 0, hue angle in degrees.
 */
final readonly class Lch
{
    private function __construct(
        public float $lightness,
        public float $chroma,
        public float $hue,
        public Illuminant $white,
    ) {
    }

    /** @throws InvalidColour unless all three are finite and the chroma is not negative */
    public static function of(float $lightness, float $chroma, float $hue, Illuminant $white = Illuminant::D65): self
    {
        return self::parse([$lightness, $chroma, $hue], $white);
    }

    /** @throws InvalidColour unless it is a list of three finite numbers with a chroma of at least 0 */
    public static function parse(mixed $value, Illuminant $white = Illuminant::D65): self
    {
        [$lightness, $chroma, $hue] = Components::parse($value, 'LCh');
        if ($chroma < 0) {
            throw InvalidColour::outOfRange('LCh', 'the chroma', $chroma, 'it must be at least 0');
        }

        return new self($lightness, $chroma, $hue, $white);
    }

    public function toLab(): Lab
    {
        $h = deg2rad($this->hue);

        return Lab::of($this->lightness, $this->chroma * cos($h), $this->chroma * sin($h), $this->white);
    }

    /** @param  float  $chroma  C*ab, 0 or more */
    public function withChroma(float $chroma): self
    {
        return self::of($this->lightness, $chroma, $this->hue, $this->white);
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->lightness, $this->chroma, $this->hue];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\Numeric\Matrix3;

/**
 * sRGB (IEC 61966-2-1), encoded, 0..1 inside the gamut, unclipped outside.
 *
 * The standard's white (chromaticity 0.3127, 0.3290) and the 36-band D65 are two samplings of one illuminant, 0.04 %
 * apart. Tristimulus values are carried from one to the other by scaling each with the ratio of the whites, so that
 * Lab, which is relative to the white, comes out exactly as by the standard and R = G = B is exactly neutral.
 */
final readonly class Srgb
{
    /** Linear RGB to XYZ with Y = 1 for white, the exact solution from the chromaticities of the standard. */
    private const TO_XYZ = [
        [0.4123907992659595, 0.3575843393838780, 0.1804807884018343],
        [0.2126390058715104, 0.7151686787677559, 0.0721923153607337],
        [0.0193308187155918, 0.1191947797946260, 0.9505321522496606],
    ];

    private function __construct(public float $red, public float $green, public float $blue)
    {
    }

    /** @throws InvalidColour unless all three are finite */
    public static function of(float $red, float $green, float $blue): self
    {
        return self::parse([$red, $green, $blue]);
    }

    /** @throws InvalidColour unless it is a list of three finite numbers */
    public static function parse(mixed $value): self
    {
        return new self(...Components::parse($value, 'sRGB'));
    }

    /** @throws InvalidColour unless it is of the form #rrggbb */
    public static function hex(string $hex): self
    {
        if (preg_match('/^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})\z/i', $hex, $m) !== 1) {
            throw InvalidColour::notHex($hex);
        }

        return self::of(hexdec($m[1]) / 255, hexdec($m[2]) / 255, hexdec($m[3]) / 255);
    }

    /**
     * @param  array{float, float, float}  $linear  linear-light red, green, blue, 1 = white
     */
    public static function fromLinear(array $linear): self
    {
        return self::of(self::encode($linear[0]), self::encode($linear[1]), self::encode($linear[2]));
    }

    /** @return self unclipped; other whites than D65 are adapted by Bradford */
    public static function fromXyz(Xyz $colour): self
    {
        $d65 = $colour->adaptedTo(Illuminant::D65)->toArray();
        $scale = self::whiteScale();

        return self::fromLinear(Matrix3::of(self::TO_XYZ)->solve([
            $d65[0] / $scale[0],
            $d65[1] / $scale[1],
            $d65[2] / $scale[2],
        ]));
    }

    /** @return Xyz under the 36-band D65, Y = 100 for white */
    public function toXyz(): Xyz
    {
        $xyz = Matrix3::of(self::TO_XYZ)->times($this->linear());
        $scale = self::whiteScale();

        return Xyz::of($xyz[0] * $scale[0], $xyz[1] * $scale[1], $xyz[2] * $scale[2]);
    }

    /** @return array{float, float, float} linear-light red, green, blue, 1 = white */
    public function linear(): array
    {
        return [self::decode($this->red), self::decode($this->green), self::decode($this->blue)];
    }

    /** @param  float  $tolerance  by which a channel may lie outside 0..1 */
    public function isInGamut(float $tolerance = 1e-9): bool
    {
        return min($this->red, $this->green, $this->blue) >= -$tolerance
            && max($this->red, $this->green, $this->blue) <= 1 + $tolerance;
    }

    /** @return string #rrggbb, components clipped to 0..1 and rounded to 8 bits */
    public function toHex(): string
    {
        return sprintf('#%02x%02x%02x', ...$this->toBytes());
    }

    /** @return array{int, int, int} 0..255, clipped */
    public function toBytes(): array
    {
        $byte = static fn (float $v): int => (int) round(255 * max(0.0, min(1.0, $v)));

        return [$byte($this->red), $byte($this->green), $byte($this->blue)];
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->red, $this->green, $this->blue];
    }

    /** @return float linear light; odd-symmetric below zero, so that unclipped values go both ways */
    public static function decode(float $v): float
    {
        $magnitude = abs($v);
        $linear = $magnitude <= 0.04045 ? $magnitude / 12.92 : (($magnitude + 0.055) / 1.055) ** 2.4;

        return $v < 0 ? -$linear : $linear;
    }

    /**
     * @param  float  $linear  linear light, 1 for white; negative outside the gamut
     * @return float the encoded channel, IEC 61966-2-1
     */
    public static function encode(float $linear): float
    {
        $magnitude = abs($linear);
        $v = $magnitude <= 0.0031308 ? 12.92 * $magnitude : 1.055 * $magnitude ** (1 / 2.4) - 0.055;

        return $linear < 0 ? -$v : $v;
    }

    /** @return array{float, float, float} 36-band D65 white, Y = 100, over the standard's white, Y = 1 */
    private static function whiteScale(): array
    {
        $standard = Matrix3::of(self::TO_XYZ)->times([1.0, 1.0, 1.0]);
        $white = SpectralSum::under(Illuminant::D65)->white();

        return [$white[0] / $standard[0], $white[1] / $standard[1], $white[2] / $standard[2]];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;

/**
 * The boundary of paint and air: what the Kubelka-Munk film reflects inside (R) and what is seen outside (Rm).
 *
 * Rm = v k1 + (1 - k1)(1 - k2) R / (1 - k2 R), J. L. Saunderson, J. Opt. Soc. Am. 32, 727 (1942). k1 = 0.04 is the
 * Fresnel reflection at normal incidence for n = 1.5, k2 = 0.6 the diffuse internal one; v says how much of the
 * first-surface reflection reaches the eye: all of it from a matt surface, none from gloss seen off its highlight.
 */
final readonly class Surface
{
    public const FIRST_SURFACE = 0.04;

    public const INTERNAL = 0.6;

    private function __construct(public float $veil, public float $gain, public float $internal)
    {
    }

    /** No surface: inside and outside are the same. */
    public static function none(): self
    {
        return new self(0.0, 1.0, 0.0);
    }

    public static function of(Sheen $sheen): self
    {
        return new self(
            $sheen->veil() * self::FIRST_SURFACE,
            (1 - self::FIRST_SURFACE) * (1 - self::INTERNAL),
            self::INTERNAL,
        );
    }

    /** @return float L* of a film that lets no light back (ISO 11664-4), 0..100 */
    public function darkest(): float
    {
        return SpectralSum::under(Illuminant::D65)->xyz(Reflectance::flat($this->veil))->toLab()->lightness;
    }

    /** @return Reflectance seen from outside */
    public function seen(Reflectance $inside): Reflectance
    {
        return Reflectance::of(array_map(
            fn (float $r): float => $this->veil + $this->gain * $r / (1 - $this->internal * $r),
            $inside->values,
        ));
    }

    /**
     * @param  float  $slack  by how much a reading may lie below the surface reflection and still be black: its noise, 0..1
     * @return Reflectance inside the film
     *
     * @throws InvalidOptics when a reading is darker than the surface reflection alone
     */
    public function inside(Reflectance $seen, float $slack = 0.0): Reflectance
    {
        $values = [];
        foreach ($seen->values as $band => $rm) {
            $below = $rm - $this->veil;
            if ($below < -$slack) {
                throw InvalidOptics::tooDarkForSheen(Bands::nanometres($band));
            }
            $below = max(0.0, $below);
            $values[] = $below / ($this->gain + $this->internal * $below);
        }

        return Reflectance::of(array_map(static fn (float $r): float => min(1.0, $r), $values));
    }

    /** @return Reflectance inside the film; where a colour is darker than the surface reflection alone, black */
    public function insideOrBlack(Reflectance $seen): Reflectance
    {
        return $this->inside(Reflectance::of(array_map(fn (float $rm): float => max($this->veil, $rm), $seen->values)));
    }
}

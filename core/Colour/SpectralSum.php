<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\Colour\Tables\StandardObserver1931;

/**
 * Spectra to tristimulus values: the plain sum over the 36 bands (CIE 015, section 7.1), normalised so that the
 * perfect diffuser has Y = 100. The white point is the perfect diffuser under this same sum: with the white of a
 * finer table greys would carry a cast.
 */
final readonly class SpectralSum
{
    /**
     * @param  list<float>  $x  weights of X on the 36 bands, Y of the perfect diffuser = 100
     * @param  list<float>  $y
     * @param  list<float>  $z
     */
    private function __construct(
        public Illuminant $illuminant,
        public array $x,
        public array $y,
        public array $z,
    ) {
    }

    public static function under(Illuminant $illuminant): self
    {
        /** @var array<string, self> $made */
        static $made = [];

        return $made[$illuminant->value] ??= self::weigh($illuminant);
    }

    private static function weigh(Illuminant $illuminant): self
    {
        $power = $illuminant->power();
        $k = 0.0;
        foreach ($power as $band => $p) {
            $k += $p * StandardObserver1931::Y_BAR[$band];
        }

        return new self(
            $illuminant,
            self::weights($power, StandardObserver1931::X_BAR, $k),
            self::weights($power, StandardObserver1931::Y_BAR, $k),
            self::weights($power, StandardObserver1931::Z_BAR, $k),
        );
    }

    /**
     * @param  list<float>  $power
     * @param  list<float>  $bar
     * @return list<float>
     */
    private static function weights(array $power, array $bar, float $k): array
    {
        return array_map(static fn (float $p, float $v): float => 100 * $p * $v / $k, $power, $bar);
    }

    /** @return Xyz Y = 100 for the perfect diffuser */
    public function xyz(Reflectance $reflectance): Xyz
    {
        return Xyz::of(...$this->tristimulus($reflectance->values), white: $this->illuminant);
    }

    /**
     * @param  list<float>  $values  36 reflectances
     * @return array{float, float, float} X, Y, Z
     */
    public function tristimulus(array $values): array
    {
        $x = $y = $z = 0.0;
        foreach ($values as $band => $r) {
            $x += $this->x[$band] * $r;
            $y += $this->y[$band] * $r;
            $z += $this->z[$band] * $r;
        }

        return [$x, $y, $z];
    }

    /** @return array{float, float, float} X, Y, Z of the perfect diffuser; Y = 100 */
    public function white(): array
    {
        return [array_sum($this->x), array_sum($this->y), array_sum($this->z)];
    }
}

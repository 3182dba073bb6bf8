<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * Directions from which a spray comes, spread evenly over a cap around its axis: a Fibonacci spiral (R. Swinbank,
 * R. J. Purser, Quarterly Journal of the Royal Meteorological Society 132, 2006). Pointing from the piece to the spray.
 */
final readonly class SprayCone
{
    private const MOST = 256;

    /**
     * @param  list<array{float, float, float}>  $directions  of length 1
     * @param  list<float>  $weights  of each; how much paint comes from there
     * @param  array{float, float, float}  $axis
     */
    private function __construct(public array $directions, public array $weights, public array $axis)
    {
    }

    /**
     * @param  array{float, float, float}  $axis  to the spray, of any length but 0
     * @param  float  $halfAngle  degrees, 0..90
     * @param  int  $count  of directions, 1..256; one where the cone is a line
     *
     * @throws InvalidLight
     */
    public static function around(array $axis, float $halfAngle, int $count): self
    {
        $length = sqrt($axis[0] ** 2 + $axis[1] ** 2 + $axis[2] ** 2);
        if (! ($length > 0) || ! is_finite($length)) {
            throw InvalidLight::axis();
        }
        if (! ($halfAngle >= 0 && $halfAngle <= 90)) {
            throw InvalidLight::spread($halfAngle);
        }
        if ($count < 1 || $count > self::MOST) {
            throw InvalidLight::directions($count, self::MOST);
        }
        $axis = [$axis[0] / $length, $axis[1] / $length, $axis[2] / $length];
        [$u, $v] = self::across($axis);
        $count = $halfAngle === 0.0 ? 1 : $count;
        $directions = [];
        $cap = 1 - cos(deg2rad($halfAngle));
        for ($k = 0; $k < $count; $k++) {
            $cos = $halfAngle === 0.0 ? 1.0 : 1 - ($k + 0.5) / $count * $cap;
            $sin = sqrt(max(0.0, 1 - $cos * $cos));
            $phi = $k * M_PI * (3 - sqrt(5));
            $directions[] = [
                $cos * $axis[0] + $sin * (cos($phi) * $u[0] + sin($phi) * $v[0]),
                $cos * $axis[1] + $sin * (cos($phi) * $u[1] + sin($phi) * $v[1]),
                $cos * $axis[2] + $sin * (cos($phi) * $u[2] + sin($phi) * $v[2]),
            ];
        }

        return new self($directions, array_fill(0, $count, 1.0), $axis);
    }

    /**
     * The same directions, those farther from the axis without paint: shadows that were computed for the wide cone serve
     * the narrow one.
     *
     * @param  float  $halfAngle  degrees, no more than the cone has
     */
    public function narrowedTo(float $halfAngle): self
    {
        $least = cos(deg2rad($halfAngle)) - 1e-12;
        $weights = array_map(fn (array $d): float => $least <= $d[0] * $this->axis[0] + $d[1] * $this->axis[1] + $d[2] * $this->axis[2] ? 1.0 : 0.0, $this->directions);
        // A cone so narrow that no direction lies in it is its middle.
        $weights[0] = 1.0;

        return new self($this->directions, $weights, $this->axis);
    }

    /**
     * The same spray among more directions, of which its own come first.
     *
     * @param  list<array{float, float, float}>  $directions
     */
    public function among(array $directions): self
    {
        return new self($directions, array_pad($this->weights, count($directions), 0.0), $this->axis);
    }

    /** @return float what a surface that faces the axis and lies open receives, in the same unit as any sum over it */
    public function full(): float
    {
        $sum = 0.0;
        foreach ($this->directions as $k => [$x, $y, $z]) {
            $sum += $this->weights[$k] * max(0.0, $x * $this->axis[0] + $y * $this->axis[1] + $z * $this->axis[2]);
        }

        return $sum;
    }

    /**
     * @param  array{float, float, float}  $d  of length 1
     * @return array{array{float, float, float}, array{float, float, float}} two directions across it, of length 1
     */
    public static function across(array $d): array
    {
        // The frame of J. R. Frisvad, Journal of Graphics Tools 16, 2012, as mended by T. Duff et al., JCGT 6, 2017.
        $sign = $d[2] >= 0 ? 1.0 : -1.0;
        $a = -1 / ($sign + $d[2]);
        $b = $d[0] * $d[1] * $a;

        return [[1 + $sign * $d[0] * $d[0] * $a, $sign * $b, -$sign * $d[0]], [$b, $sign + $d[1] * $d[1] * $a, -$d[1]]];
    }
}

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
        if ($count < 1 || $count > self::MOST) {
            throw InvalidLight::directions($count, self::MOST);
        }
        [$axis, $least] = self::cap($axis, $halfAngle);
        $directions = $halfAngle === 0.0 ? [$axis] : self::spiral($axis, 1.0, $least, $count);

        return new self($directions, array_fill(0, count($directions), 1.0), $axis);
    }

    /**
     * The spray that comes from some of many directions: shadows that were computed for all of them serve every spray.
     *
     * @param  list<array{float, float, float}>  $directions  of length 1, at least one
     * @param  list<float>  $shares  of each: how much of the sky it stands for
     * @param  array{float, float, float}  $axis  to the spray, of any length but 0
     * @param  float  $halfAngle  degrees, 0..90
     *
     * @throws InvalidLight
     */
    public static function among(array $directions, array $shares, array $axis, float $halfAngle): self
    {
        [$axis, $least] = self::cap($axis, $halfAngle);
        $weights = [];
        $nearest = 0;
        $most = -2.0;
        foreach ($directions as $k => [$x, $y, $z]) {
            $cos = $x * $axis[0] + $y * $axis[1] + $z * $axis[2];
            $weights[] = $cos >= $least - 1e-12 ? $shares[$k] : 0.0;
            [$nearest, $most] = $cos > $most ? [$k, $cos] : [$nearest, $most];
        }
        // A cone so narrow that no direction lies in it is the one nearest to its middle.
        $weights[$nearest] = $shares[$nearest];

        return new self($directions, array_values($weights), $axis);
    }

    /**
     * Directions spread evenly over the ring between two angles from an axis.
     *
     * @param  array{float, float, float}  $axis  of length 1
     * @param  float  $from  cosine of the angle it begins at
     * @param  float  $to  cosine of the angle it ends at, no greater
     * @return list<array{float, float, float}>
     */
    public static function spiral(array $axis, float $from, float $to, int $count): array
    {
        [$u, $v] = self::across($axis);
        $directions = [];
        for ($k = 0; $k < $count; $k++) {
            $cos = $from - ($k + 0.5) / $count * ($from - $to);
            $sin = sqrt(max(0.0, 1 - $cos * $cos));
            $phi = $k * M_PI * (3 - sqrt(5));
            $directions[] = [
                $cos * $axis[0] + $sin * (cos($phi) * $u[0] + sin($phi) * $v[0]),
                $cos * $axis[1] + $sin * (cos($phi) * $u[1] + sin($phi) * $v[1]),
                $cos * $axis[2] + $sin * (cos($phi) * $u[2] + sin($phi) * $v[2]),
            ];
        }

        return $directions;
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

    /**
     * @param  array{float, float, float}  $axis
     * @return array{array{float, float, float}, float} the axis at length 1, and the cosine of the half angle
     */
    private static function cap(array $axis, float $halfAngle): array
    {
        $length = sqrt($axis[0] ** 2 + $axis[1] ** 2 + $axis[2] ** 2);
        if (! ($length > 0) || ! is_finite($length)) {
            throw InvalidLight::axis();
        }
        if (! ($halfAngle >= 0 && $halfAngle <= 90)) {
            throw InvalidLight::spread($halfAngle);
        }

        return [[$axis[0] / $length, $axis[1] / $length, $axis[2] / $length], cos(deg2rad($halfAngle))];
    }
}

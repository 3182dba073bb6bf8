<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * CIELAB, ISO/CIE 11664-4, on tristimulus values relative to the white. The constants are the exact ratios of the
 * standard: the linear part meets the cube root in value and slope at 216/24389.
 */
final class CieLab
{
    private const EPSILON = 216 / 24389;

    private const KAPPA = 24389 / 27;

    /**
     * @return array{float, float, float} L*, a*, b* from X/Xn, Y/Yn, Z/Zn
     */
    public static function fromRatios(float $x, float $y, float $z): array
    {
        $fx = self::f($x);
        $fy = self::f($y);
        $fz = self::f($z);

        return [116 * $fy - 16, 500 * ($fx - $fy), 200 * ($fy - $fz)];
    }

    /**
     * @return array{float, float, float} X/Xn, Y/Yn, Z/Zn
     */
    public static function toRatios(float $lightness, float $a, float $b): array
    {
        $fy = ($lightness + 16) / 116;

        return [self::inverse($fy + $a / 500), self::inverse($fy), self::inverse($fy - $b / 200)];
    }

    /** @return float f(t), the lightness function before scaling */
    public static function f(float $t): float
    {
        // Tristimulus values below zero (colours outside the spectral locus) stay on the linear part.
        return $t > self::EPSILON ? $t ** (1 / 3) : (self::KAPPA * $t + 16) / 116;
    }

    private static function inverse(float $f): float
    {
        $cube = $f ** 3;

        return $cube > self::EPSILON ? $cube : (116 * $f - 16) / self::KAPPA;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\InvalidInput;

final class InvalidLight extends InvalidInput
{
    public static function axis(): self
    {
        return new self('the direction of a spray must have a length');
    }

    /** @param  float  $found  half angle in degrees */
    public static function spread(float $found): self
    {
        return new self("a spray cone has a half angle of {$found} degrees; it must be 0 to 90");
    }

    public static function directions(int $found, int $most): self
    {
        return new self("{$found} directions were requested; 1 to {$most} are possible");
    }

    public static function up(string $found): self
    {
        return new self("up is \"{$found}\"; it must be one of x, y, z, -x, -y, -z");
    }

    public static function pose(): self
    {
        return new self('a pose needs finite numbers, a scale above 0 and a rotation');
    }

    /**
     * @param  float  $elevation  degrees over the horizon
     * @param  float  $side  degrees
     * @param  float  $spread  half angle in degrees
     */
    public static function spray(float $elevation, float $side, float $spread, int $passes): self
    {
        return new self("a spray from {$elevation} degrees over the horizon, {$side} to the side, {$spread} wide, {$passes} times: it must be -90 to 90, -180 to 180, 0 to 90 and 0 to 9");
    }
}

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

    public static function spread(float $found): self
    {
        return new self("a spray cone has a half angle of {$found} degrees; it must be 0 to 90");
    }

    public static function directions(int $found, int $most): self
    {
        return new self("{$found} directions were asked for; 1 to {$most} can be computed");
    }

    public static function up(string $found): self
    {
        return new self("up is \"{$found}\"; it must be one of x, y, z, -x, -y, -z");
    }

    public static function stopped(): self
    {
        return new self('the light was stopped before it was computed');
    }
}

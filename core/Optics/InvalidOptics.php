<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\InvalidInput;

final class InvalidOptics extends InvalidInput
{
    /** @param  float  $found  coats */
    public static function thickness(float $found): self
    {
        return new self("a film thickness of {$found} coats; it must be finite and at least 0");
    }

    /** @param  float  $found  share of the ground, 0..1 */
    public static function coverage(float $found): self
    {
        return new self("a coverage of {$found}; it must be from 0 to 1");
    }

    /** @param  float  $found  by volume */
    public static function parts(float $found): self
    {
        return new self("{$found} parts of a paint; parts must be finite and more than 0");
    }

    public static function emptyMix(): self
    {
        return new self('a mix needs at least one paint');
    }

    /** @param  float  $found  share of paint in the film, 0..1 */
    public static function fraction(float $found): self
    {
        return new self("a paint fraction of {$found}; it must be more than 0 and at most 1");
    }

    /** @param  float  $nanometres  380 to 730 */
    public static function tooDarkForSheen(float $nanometres): self
    {
        return new self("the reading at {$nanometres} nm is darker than the surface reflection alone");
    }
}

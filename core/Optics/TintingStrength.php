<?php

declare(strict_types=1);

namespace Hyalin\Optics;

/**
 * A painter's statement of how far a paint carries in mixes.
 */
enum TintingStrength: string
{
    case Weak = 'weak';
    case Usual = 'usual';
    case Strong = 'strong';

    /** @return float pigment load beside that of a usual paint of the same opacity (own estimate) */
    public function load(): float
    {
        return match ($this) {
            self::Weak => 0.6,
            self::Usual => 1.0,
            self::Strong => 1.7,
        };
    }
}

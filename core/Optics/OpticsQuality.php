<?php

declare(strict_types=1);

namespace Hyalin\Optics;

/**
 * Where a paint's K and S come from; a prediction is as good as the least of what it is made of.
 */
enum OpticsQuality: string
{
    case Measured = 'measured';
    case PartlyMeasured = 'partly measured';
    case Estimated = 'estimated';

    public function orWorse(self $other): self
    {
        return $this->rank() >= $other->rank() ? $this : $other;
    }

    private function rank(): int
    {
        return match ($this) {
            self::Measured => 0,
            self::PartlyMeasured => 1,
            self::Estimated => 2,
        };
    }
}

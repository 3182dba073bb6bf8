<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How two areas of a figure should stand to each other, or one to all others.
 */
enum BalanceKind: string
{
    case StandApart = 'stand apart';
    case SitTogether = 'sit together';
    case SameBrightness = 'as bright as';
    case FocalPoint = 'focal point';

    /** @return float the usual limit: CIEDE2000, or L* for brightness and contrast (own estimates) */
    public function usualLimit(): float
    {
        return match ($this) {
            self::StandApart => 10.0,
            self::SitTogether => 6.0,
            self::SameBrightness => 5.0,
            self::FocalPoint => 0.0,
        };
    }

    public function needsOther(): bool
    {
        return $this !== self::FocalPoint;
    }
}

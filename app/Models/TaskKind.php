<?php

declare(strict_types=1);

namespace App\Models;

enum TaskKind: string
{
    case Proposal = 'proposal';
    case Zones = 'zones';
    case Spray = 'spray';
    case Gradient = 'gradient';
    case Glow = 'glow';
    case Measures = 'measures';
    /** Of the demo's figures. */
    case Sculpt = 'sculpt';

    /** Whether it gives way to another: what follows from the areas follows anew, and of two settings the later one holds. */
    public function yieldsTo(self $next): bool
    {
        return match ($this) {
            self::Measures, self::Glow => true,
            self::Spray, self::Zones => $next === $this,
            default => false,
        };
    }

    /** @return string what was not done, to be followed by the reason */
    public function failed(): string
    {
        return match ($this) {
            self::Proposal => 'No areas were proposed',
            self::Zones => 'Edges and grooves were not found again',
            self::Spray => 'The spray was not calculated',
            self::Gradient => 'The gradient was not set',
            self::Glow => 'The glow was not calculated',
            self::Measures => 'The areas were not measured',
            self::Sculpt => 'The print files were not sculpted',
        };
    }
}

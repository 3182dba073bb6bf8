<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Pot\Chemistry;

/**
 * Aids that shorten drying: common practice says "to a fraction", the fractions are own estimates.
 */
enum DryingAid: string
{
    case None = 'still air';
    case MovingAir = 'moving air';
    case WarmAir = 'warm air';

    /** @return int minutes that are left of a drying time; oil, enamel and powder take theirs, glue and filler cure */
    public function minutes(int $usual, ?Chemistry $chemistry): int
    {
        if ($chemistry !== Chemistry::Acrylic && $chemistry !== Chemistry::Lacquer) {
            return $usual;
        }
        // Heat near solvent is no help but a danger.
        $fraction = match ($this) {
            self::None => 1.0,
            self::MovingAir => 0.5,
            self::WarmAir => $chemistry === Chemistry::Lacquer ? 0.5 : 0.3,
        };

        return (int) ceil($usual * $fraction);
    }
}

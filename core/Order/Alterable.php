<?php

declare(strict_types=1);

namespace Hyalin\Order;

/**
 * What a painter stated and may take back.
 */
enum Alterable: string
{
    case OwnRule = 'own rule';
    case OwnStep = 'own step';
    case LiesOn = 'lies on';
    case Hidden = 'hidden';
    case BaseApart = 'base apart';

    /** @return int how much hangs on it: a rule of one's own less than how the figure is built */
    public function size(): int
    {
        return match ($this) {
            self::OwnRule => 0,
            self::OwnStep => 1,
            self::LiesOn => 2,
            self::Hidden => 3,
            self::BaseApart => 4,
        };
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Optics;

enum Sheen: string
{
    case Matt = 'matt';
    case Satin = 'satin';
    case Gloss = 'gloss';

    /** @return float the part of the first-surface reflection that is scattered into view, 0..1 (own estimate) */
    public function veil(): float
    {
        return match ($this) {
            self::Matt => 1.0,
            self::Satin => 0.5,
            self::Gloss => 0.0,
        };
    }
}

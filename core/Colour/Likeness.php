<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * A CIEDE2000 difference in words. The thresholds 1, 2.5 and 5 are common usage, from memory.
 */
enum Likeness: string
{
    case Same = 'the same to the eye';
    case Close = 'close';
    case Visible = 'visible';
    case Different = 'clearly different';

    /** @param  float  $ciede2000  0 or more */
    public static function of(float $ciede2000): self
    {
        return match (true) {
            $ciede2000 < 1 => self::Same,
            $ciede2000 < 2.5 => self::Close,
            $ciede2000 < 5 => self::Visible,
            default => self::Different,
        };
    }
}

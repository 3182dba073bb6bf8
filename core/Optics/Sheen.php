<?php

declare(strict_types=1);

namespace Hyalin\Optics;

/**
 * How a dry film reflects at its surface.
 *
 * How much of the first-surface reflection a matt surface scatters into view is taken from measured matt paints: of the 462
 * Munsell matte papers measured by D. Nickerson the darkest reflects 0.014 in every band, that is 0.35 of k1 = 0.04. A film
 * that gave back all of k1 could not be darker than L* 24 (twenty of those papers are), nor have a band below 0.04 (sixty have).
 * Satin half of that: own estimate.
 */
enum Sheen: string
{
    case Matt = 'matt';
    case Satin = 'satin';
    case Gloss = 'gloss';

    /** @return float the part of the first-surface reflection that is scattered into view, 0..1 */
    public function veil(): float
    {
        return match ($this) {
            self::Matt => 0.35,
            self::Satin => 0.175,
            self::Gloss => 0.0,
        };
    }

    /** @return float L* of a film that lets no light back: nothing of this sheen is darker */
    public function darkest(): float
    {
        return Surface::of($this)->darkest();
    }
}

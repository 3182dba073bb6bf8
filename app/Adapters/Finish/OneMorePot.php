<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use Hyalin\Colour\Lab;
use Hyalin\Finish\Zone;

/**
 * The gain of one more pot: an opaque paint of the colour that is missed most. An estimate, as the pot is not known.
 */
final readonly class OneMorePot
{
    /**
     * @param  Lab  $colour  that is missed most
     * @param  float  $before  mean CIEDE2000 of the best proposal without it
     * @param  float  $after  the same with it
     */
    public function __construct(public Lab $colour, public Zone $zone, public float $before, public float $after)
    {
    }
}

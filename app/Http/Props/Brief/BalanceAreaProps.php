<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Http\Props\ColourProps;

/**
 * The finished colours of one area, zone by zone.
 */
final readonly class BalanceAreaProps
{
    /**
     * @param  list<ColourProps>  $zones  recess to edge, under the chosen light
     * @param  list<string>  $greys  of the same lightness, #rrggbb
     * @param  float  $contrast  L* from darkest to lightest
     * @param  float  $moved  CIEDE2000 between the mid zone in daylight and under the chosen light, adapted to daylight (Bradford)
     */
    public function __construct(public int $id, public string $name, public string $part, public array $zones, public array $greys, public float $contrast, public float $moved)
    {
    }
}

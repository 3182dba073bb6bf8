<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\ColourProps;

/**
 * A colour of a figure in work that no two pots of the shelf come near.
 */
final readonly class GamutGapProps
{
    /**
     * @param  string  $wanted  "lighter, more chromatic, towards orange"
     * @param  int  $served  colours out of reach that a pot of this colour would serve, this one among them
     */
    public function __construct(public string $place, public ColourProps $colour, public ColourProps $nearest, public float $difference, public string $wanted, public int $served)
    {
    }
}

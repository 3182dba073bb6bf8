<?php

declare(strict_types=1);

namespace App\Http\Props\References;

use App\Http\Props\ColourProps;

/**
 * A main colour of a picture.
 */
final readonly class PaletteProps
{
    /**
     * @param  float  $share  of the picture or its crop, 0..1
     * @param  list<list<float>>  $spot  where to take it: centre, and [radius, 0]
     */
    public function __construct(public ColourProps $colour, public float $share, public array $spot)
    {
    }
}

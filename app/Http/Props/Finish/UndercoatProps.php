<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;

/**
 * The effect of an undercoat on a mix.
 */
final readonly class UndercoatProps
{
    public function __construct(public string $name, public string $hex, public int $coats, public ColourProps $colour, public float $difference)
    {
    }
}

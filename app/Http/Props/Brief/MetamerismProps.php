<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

/**
 * Two areas that are alike in daylight and are not under another light.
 */
final readonly class MetamerismProps
{
    public function __construct(public string $one, public string $other, public string $zone, public float $daylight, public float $light)
    {
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\PotProps;

/**
 * Two pots that are near doubles.
 */
final readonly class NearDuplicateProps
{
    /** @param  float  $difference  largest CIEDE2000 of thick, over white and over black */
    public function __construct(public PotProps $one, public PotProps $other, public float $difference)
    {
    }
}

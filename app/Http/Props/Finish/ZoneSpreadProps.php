<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use Hyalin\Finish\Zone;

/**
 * How sure the colour of a finished zone is.
 */
final readonly class ZoneSpreadProps
{
    public function __construct(public Zone $zone, public SpreadProps $spread)
    {
    }
}

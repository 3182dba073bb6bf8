<?php

declare(strict_types=1);

namespace App\Adapters\Compare;

use App\Models\Brief\Area;
use App\Models\Compare\Finding;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Comparison\AreaComparison;

/**
 * An area, how its painted piece compares, and where that was found on the photo.
 */
final readonly class ComparedArea
{
    /** @param  array<string, Finding>  $findings  by zone */
    public function __construct(public Area $area, public AreaComparison $comparison, private array $findings)
    {
    }

    public function finding(Zone $zone): ?Finding
    {
        return $this->findings[$zone->value] ?? null;
    }
}

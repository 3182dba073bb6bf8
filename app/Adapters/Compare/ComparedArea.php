<?php

declare(strict_types=1);

namespace App\Adapters\Compare;

use App\Models\Brief\Area;
use App\Models\Compare\Finding;
use Hyalin\Finish\Doubt\FinishDoubt;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Comparison\AreaComparison;

/**
 * An area, how its painted piece compares, and where that was found on the photo.
 */
final readonly class ComparedArea
{
    /**
     * @param  array<string, Finding>  $findings  by zone
     * @param  FinishDoubt|null  $doubt  how sure what was predicted is; null without a finish
     */
    public function __construct(public Area $area, public AreaComparison $comparison, private array $findings, public ?FinishDoubt $doubt)
    {
    }

    public function finding(Zone $zone): ?Finding
    {
        return $this->findings[$zone->value] ?? null;
    }
}

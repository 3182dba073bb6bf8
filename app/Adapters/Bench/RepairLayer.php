<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;

/**
 * A repair as a layer: where, how and with what.
 */
final readonly class RepairLayer
{
    public function __construct(public Area $area, public LayerDraft $draft)
    {
    }
}

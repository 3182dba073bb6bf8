<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Plan\Seam;

final readonly class JointProps
{
    /** @param  list<int>  $hides  ids of areas */
    public function __construct(public int $id, public int $partId, public int $otherId, public array $hides, public Seam $seam, public bool $isGluedEarly)
    {
    }
}

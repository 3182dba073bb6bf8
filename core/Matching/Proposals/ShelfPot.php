<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Optics\PaintOptics;

final readonly class ShelfPot
{
    public function __construct(public PaintOptics $optics, public PotRole $role)
    {
    }
}

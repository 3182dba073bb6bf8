<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use Hyalin\Pot\PotKind;

final readonly class PreviewPotProps
{
    public function __construct(public string $maker, public string $name, public PotKind $kind, public string $hex)
    {
    }
}

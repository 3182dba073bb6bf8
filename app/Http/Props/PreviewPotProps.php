<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\PaintKind;

final readonly class PreviewPotProps
{
    public function __construct(public string $maker, public string $name, public PaintKind $kind, public string $hex)
    {
    }
}

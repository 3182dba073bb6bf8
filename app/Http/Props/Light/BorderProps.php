<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

/**
 * A border between two areas, measured on the mesh.
 */
final readonly class BorderProps
{
    public function __construct(public string $one, public string $other, public float $mm, public bool $isCurved)
    {
    }
}

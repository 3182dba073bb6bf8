<?php

declare(strict_types=1);

namespace App\Http\Props\References;

/**
 * One patch of a chart and what is left of its error.
 */
final readonly class ResidualProps
{
    public function __construct(public string $name, public string $hex, public float $difference)
    {
    }
}

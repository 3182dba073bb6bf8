<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

/**
 * A step that decides the finishing date, and what held it up.
 */
final readonly class CriticalStepProps
{
    public function __construct(public string $what, public string $figure, public string $hold)
    {
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

/**
 * A figure that can be laid over evenings.
 */
final readonly class FigureChoiceProps
{
    public function __construct(public int $id, public string $name, public int $steps)
    {
    }
}

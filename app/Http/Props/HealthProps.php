<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Adapters\Operations\Health;

final readonly class HealthProps
{
    public function __construct(public string $name, public bool $isWell, public string $words)
    {
    }

    public static function of(Health $of): self
    {
        return new self($of->name, $of->isWell, $of->words);
    }
}

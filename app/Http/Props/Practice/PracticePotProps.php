<?php

declare(strict_types=1);

namespace App\Http\Props\Practice;

use App\Http\Props\ColourProps;

final readonly class PracticePotProps
{
    /** @param  string  $name  empty until it is known */
    public function __construct(public int $id, public string $name, public ColourProps $colour)
    {
    }
}

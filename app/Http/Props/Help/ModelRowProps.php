<?php

declare(strict_types=1);

namespace App\Http\Props\Help;

final readonly class ModelRowProps
{
    /**
     * @param  list<string>  $hexes
     * @param  list<string>  $labels  one for each, or none
     */
    public function __construct(public string $words, public array $hexes, public array $labels = [])
    {
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Cups;

use App\Http\Props\PotProps;

/**
 * One ingredient of a cup; without a pot it is thinner.
 */
final readonly class CupPartProps
{
    public function __construct(public ?PotProps $pot, public float $millilitres, public float $share, public int $drops)
    {
    }
}

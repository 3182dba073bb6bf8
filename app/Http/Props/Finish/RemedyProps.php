<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use Hyalin\Finish\Zone;

/**
 * A change of a layer that would make it read.
 */
final readonly class RemedyProps
{
    /** @param  list<Zone>  $zones */
    public function __construct(public string $words, public int $coats, public float $thinner, public array $zones)
    {
    }
}

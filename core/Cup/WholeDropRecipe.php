<?php

declare(strict_types=1);

namespace Hyalin\Cup;

/**
 * A cup as a painter would write it down: whole drops, the largest share first.
 */
final readonly class WholeDropRecipe
{
    /**
     * @param  array<string, int>  $drops  by ingredient, each at least 1
     * @param  float  $error  largest difference between a share of the cup and of the recipe, 0..1
     * @param  list<string>  $leftOut  ingredients too small for a drop
     */
    public function __construct(public array $drops, public float $error, public array $leftOut)
    {
    }

    /** @return int drops of all pots */
    public function total(): int
    {
        return array_sum($this->drops);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Pot\Pot;

/**
 * The amount that work takes from one pot, and the amount in it: estimates.
 */
final readonly class PotNeed
{
    private function __construct(
        /** mL that the work takes */
        public float $needMl,
        /** mL that the pot holds */
        public float $hasMl,
        /** mL that are missing; 0 when the pot holds enough */
        public float $missingMl,
        /** new pots */
        public int $toBuy,
        /** of what is used; null while the pot has no price */
        public ?float $cost,
        /** of the new pots; null while the pot has no price */
        public ?float $spend,
    ) {
    }

    /**
     * @param  float  $needMl  0 or more
     * @param  float  $hasMl  0 or more
     */
    public static function of(Pot $pot, float $needMl, float $hasMl): self
    {
        $missing = max(0.0, $needMl - $hasMl);
        $toBuy = (int) ceil($missing / $pot->sizeMl() - 1e-9);
        $price = $pot->price();

        return new self($needMl, $hasMl, $missing, $toBuy, $price === null ? null : $price * $needMl / $pot->sizeMl(), $price === null ? null : $price * $toBuy);
    }
}

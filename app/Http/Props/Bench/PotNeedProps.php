<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Models\Shelf\Paint;

/**
 * What a run takes from one pot, against what is in it: estimates.
 */
final readonly class PotNeedProps
{
    /**
     * @param  float  $missingMl  0 when the pot holds enough
     * @param  int  $toBuy  new pots
     * @param  float|null  $cost  of what is used; null when the pot has no price
     * @param  float|null  $spend  of the new pots
     */
    public function __construct(
        public int $paintId,
        public string $maker,
        public string $name,
        public string $hex,
        public float $needMl,
        public float $hasMl,
        public float $missingMl,
        public int $toBuy,
        public ?float $cost,
        public ?float $spend,
        public bool $onShelf,
    ) {
    }

    public static function of(Paint $paint, float $needMl): self
    {
        $onShelf = $paint->deleted_at === null;
        $hasMl = $onShelf ? max(0.0, $paint->size() * $paint->level_percent / 100 - $paint->used_ml) : 0.0;
        $missing = max(0.0, $needMl - $hasMl);
        $toBuy = (int) ceil($missing / $paint->size() - 1e-9);
        $price = is_numeric($paint->facts['price'] ?? null) ? (float) $paint->facts['price'] : null;

        return new self(
            $paint->id, $paint->maker, $paint->name, $paint->thick_hex, $needMl, $hasMl, $missing, $toBuy,
            $price === null ? null : $price * $needMl / $paint->size(),
            $price === null ? null : $price * $toBuy,
            $onShelf,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\PaintNeed;
use Hyalin\Pot\PotKind;

/**
 * The amount that a run takes from one pot, and the amount in it: estimates.
 */
final readonly class PotNeedProps
{
    /**
     * @param  float  $missingMl  0 when the pot holds enough
     * @param  int  $toBuy  new pots
     * @param  int|null  $needDrops  from the pot's own dropper; null for a can
     * @param  float|null  $cost  of what is used; null when the pot has no price
     * @param  float|null  $spend  of the new pots
     * @param  string|null  $wasGoodUntil  YYYY-MM-DD until which it was good, when that is over
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
        public ?int $needDrops,
        public ?float $cost,
        public ?float $spend,
        public bool $onShelf,
        public ?string $wasGoodUntil,
    ) {
    }

    public static function of(PaintNeed $of): self
    {
        [$paint, $need] = [$of->paint, $of->need];

        return new self(
            $paint->id,
            $paint->maker,
            $paint->name,
            hex: $paint->thick_hex,
            needMl: $need->needMl,
            hasMl: $need->hasMl,
            missingMl: $need->missingMl,
            toBuy: $need->toBuy,
            needDrops: $paint->kind === PotKind::Can ? null : (int) round($need->needMl / $paint->pot()->dropMillilitres()),
            cost: $need->cost,
            spend: $need->spend,
            onShelf: $paint->deleted_at === null,
            wasGoodUntil: $of->wasGoodUntil,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Models\Shelf\Paint;
use Hyalin\Bench\PotNeed;

/**
 * A pot and what is needed of it.
 */
final readonly class PaintNeed
{
    /** @param  string|null  $wasGoodUntil  YYYY-MM-DD until which the pot was good, when that is over */
    private function __construct(public Paint $paint, public PotNeed $need, public ?string $wasGoodUntil)
    {
    }

    /**
     * A pot that was taken off the shelf holds nothing.
     *
     * @param  string|null  $today  YYYY-MM-DD; null when nobody asks whether it is past its time
     */
    public static function of(Paint $paint, float $needMl, ?string $today = null): self
    {
        $pot = $paint->pot();
        $hasMl = $paint->deleted_at === null ? max(0.0, min($pot->sizeMl(), $pot->sizeMl() * $paint->level_percent / 100 - $paint->used_ml)) : 0.0;

        return new self($paint, PotNeed::of($pot, $needMl, $hasMl), $today === null ? null : $pot->wasGoodUntil($today));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Shelf\Paint;

/**
 * A pot where only its name and colour matter.
 */
final readonly class PotProps
{
    /**
     * @param  bool  $onShelf false when it was taken off the shelf; recipes keep it
     * @param  float  $dropMl  mL of one drop from its dropper
     */
    public function __construct(
        public int $id,
        public string $maker,
        public string $name,
        public string $hex,
        public bool $isMixed,
        public bool $onShelf,
        public float $dropMl,
    ) {
    }

    public static function of(Paint $paint): self
    {
        return new self(
            $paint->id,
            $paint->maker,
            $paint->name,
            $paint->thick_hex,
            $paint->pot()->isMixed(),
            $paint->deleted_at === null,
            $paint->pot()->dropMillilitres(),
        );
    }
}

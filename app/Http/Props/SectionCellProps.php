<?php

declare(strict_types=1);

namespace App\Http\Props;

use Hyalin\Colour\Likeness;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\Zone;

final readonly class SectionCellProps
{
    /** @param  float  $change CIEDE2000 to the zone before this layer */
    public function __construct(
        public Zone $zone,
        public ColourProps $colour,
        public bool $touched,
        public float $change,
        public Likeness $likeness,
    ) {
    }

    public static function of(SectionCell $cell): self
    {
        return new self(
            $cell->zone,
            ColourProps::of($cell->seen),
            $cell->touched,
            $cell->change,
            Likeness::of($cell->change),
        );
    }
}

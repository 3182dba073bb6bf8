<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Likeness;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\Zone;

final readonly class SectionCellProps
{
    /** Seen from the side a cell counts as another colour from here on. */
    private const TWO_FACED = 2.0;

    /**
     * @param  float  $change CIEDE2000 to the zone before this layer
     * @param  ColourProps|null  $side  what is seen along the surface, where flakes make that another colour
     */
    public function __construct(
        public Zone $zone,
        public ColourProps $colour,
        public bool $touched,
        public float $change,
        public Likeness $likeness,
        public ?ColourProps $side,
    ) {
    }

    public static function of(SectionCell $cell, ?SectionCell $side = null): self
    {
        return new self(
            $cell->zone,
            ColourProps::of($cell->seen),
            $cell->touched,
            $cell->change,
            Likeness::of($cell->change),
            $side !== null && DifferenceFormula::Ciede2000->between($cell->seen, $side->seen) > self::TWO_FACED ? ColourProps::of($side->seen) : null,
        );
    }
}

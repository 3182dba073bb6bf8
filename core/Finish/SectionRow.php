<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Optics\OpticsQuality;

/**
 * The five zones after one layer; the first row of a section is what the finish starts from.
 */
final readonly class SectionRow
{
    /** @param  array<string, SectionCell>  $cells by zone, recess to edge */
    public function __construct(public array $cells, public OpticsQuality $quality)
    {
    }

    public function cell(Zone $zone): SectionCell
    {
        return $this->cells[$zone->value];
    }

    /** @return float the largest CIEDE2000 change among the zones */
    public function largestChange(): float
    {
        return max(0.0, ...array_map(static fn (SectionCell $cell): float => $cell->change, array_values($this->cells)));
    }
}

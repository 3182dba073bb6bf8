<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use Hyalin\Finish\Zone;
use Hyalin\Optics\OpticsQuality;

/**
 * The zones after one layer, and whether the layer can be seen.
 */
final readonly class SectionRowProps
{
    /**
     * @param  list<SectionCellProps>  $cells  recess to edge
     * @param  bool  $shows  false when no zone changes enough to be seen at arm's length
     * @param  float  $largestChange  CIEDE2000 it makes when it is painted; of its dots where it leaves dots
     * @param  float  $left  CIEDE2000 it still makes when all that follows is on
     * @param  string|null  $remedy  what would make it read
     * @param  list<RemedyProps>  $remedies  the same as changes to choose from
     * @param  int  $dryMinutes  until something may go over it, at the painter's bench; 0 of the ground
     */
    public function __construct(
        public array $cells,
        public OpticsQuality $quality,
        public bool $shows,
        public float $largestChange,
        public float $left,
        public ?Zone $mostIn,
        public ?string $remedy,
        public array $remedies,
        public int $dryMinutes,
    ) {
    }
}

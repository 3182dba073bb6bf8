<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Reflectance;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;

/**
 * A test chip: a mix put on a known card in one's own hand, and what was read afterwards. All without surface reflection.
 */
final readonly class Chip
{
    /**
     * @param  PaintOptics  $mix  as it was in the cup, thinned or not
     * @param  int  $coats  1..12
     * @param  string  $pot  chips of one pot are wrong in the same way
     * @param  OpticsSpread  $spread  how far its K and S may be off
     */
    public function __construct(
        public PaintOptics $mix,
        public Reflectance $card,
        public int $coats,
        public Reflectance $read,
        public string $pot,
        public OpticsSpread $spread,
    ) {
    }
}

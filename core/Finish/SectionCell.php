<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Optics\Surface;

/**
 * One zone when painting has come to one layer.
 */
final readonly class SectionCell
{
    /**
     * @param  Reflectance  $inside  without surface reflection: what the next film lies on
     * @param  Lab  $seen  with the chosen sheen, relative to the white of the chosen light
     * @param  float  $change  CIEDE2000 to the same zone before this layer; 0 where it does not touch
     */
    public function __construct(
        public Zone $zone,
        public Reflectance $inside,
        public Lab $seen,
        public bool $touched,
        public float $change,
        public Surface $surface,
    ) {
    }
}

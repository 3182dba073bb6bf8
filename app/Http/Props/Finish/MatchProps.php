<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use Hyalin\Colour\Likeness;
use Hyalin\Finish\Zone;

/**
 * Target and prediction of a zone, both under daylight.
 */
final readonly class MatchProps
{
    public function __construct(
        public Zone $zone,
        public ColourProps $wanted,
        public ColourProps $predicted,
        public float $difference,
        public Likeness $likeness,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Plan;

use Hyalin\Pot\Chemistry;

/**
 * A layer as the order of work sees it: without its colour.
 */
final readonly class LayerPlan
{
    /**
     * @param  string  $key  stays with the layer through every edit
     * @param  string  $words  technique and mix
     * @param  string|null  $shared  the same for layers that are put on in one go, such as one prime for all areas
     * @param  int  $minutes  hands on, all coats
     * @param  int  $dryMinutes  until the next coat
     * @param  int  $cureMinutes  until it is dry through
     * @param  string  $cleaner  what it is cleaned out of brush and airbrush with
     * @param  bool  $isFlake  metal: tape over it lifts it
     * @param  bool  $covers  hides what lies beneath it: that need not be protected before
     * @param  bool  $isOverFluid  painted over masking fluid that is peeled off again: chipping
     * @param  LayerTone|null  $tone  whether it shades or lights
     * @param  float|null  $lightness  L* of its main pot, thick
     * @param  bool  $isFromCan  sprayed from a can, which reaches everything that stands beside it
     * @param  int  $setUpMinutes  of its minutes, that are spent once however many areas it is put on in one go
     * @param  bool  $blendsWet  into the layer beneath while that is wet
     * @param  string|null  $mix  the same for the same pots in the same proportions; null where nobody told
     * @param  string|null  $sheen  what a varnish leaves: matt, satin or gloss
     */
    public function __construct(
        public string $key,
        public StepKind $kind,
        public string $words,
        public Chemistry $chemistry,
        public int $minutes,
        public int $dryMinutes,
        public int $cureMinutes,
        public string $cleaner,
        public ?string $shared = null,
        public bool $isFlake = false,
        public bool $isChrome = false,
        public ?string $sheen = null,
        public bool $covers = false,
        public bool $isOverFluid = false,
        public ?LayerTone $tone = null,
        public ?float $lightness = null,
        public bool $isFromCan = false,
        public ?string $mix = null,
        public int $setUpMinutes = 0,
        public bool $blendsWet = false,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Optics\Sheen;

/**
 * Usual facts of a kind of pot. Drying times, curing times and pressures are common practice; densities and sizes
 * are own estimates.
 */
final readonly class UsualFacts
{
    /**
     * @param  float  $density  grams per millilitre
     * @param  int  $dryingMinutes  until the next coat
     * @param  int  $curingMinutes  until it is dry through and can be sealed, or painted over by another chemistry
     * @param  int|null  $pressurePsi  for the airbrush; null when it is not sprayed
     * @param  float|null  $thinner  parts of thinner to one of paint for the airbrush; null when it is not sprayed
     * @param  bool  $isMixed  put into colour mixes
     * @param  bool  $isTranslucent  made to let show what lies beneath: poor for a base coat, right for a glaze
     * @param  bool  $isFlake  opaque platelets that lie flat: they cover, they do not tint, and look different from two angles
     */
    public function __construct(
        public Chemistry $chemistry,
        public Sheen $sheen,
        public float $density,
        public int $sizeMl,
        public int $dryingMinutes,
        public int $curingMinutes,
        public ?int $pressurePsi,
        public ?float $thinner,
        public string $thinnedWith,
        public string $cleaner,
        public bool $isMixed = false,
        public bool $isTranslucent = false,
        public bool $isFlake = false,
    ) {
    }
}

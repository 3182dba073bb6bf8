<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Optics\Sheen;

/**
 * What a kind of pot is usually like. Drying times and pressures are common practice; densities and sizes are own
 * estimates. A painter's own word on a pot always counts more, and a default is shown as one.
 */
final readonly class PotFacts
{
    /**
     * @param  float  $density  grams a millilitre
     * @param  int  $dryingMinutes  until the next coat
     * @param  int|null  $pressurePsi  for the airbrush; null when it is not sprayed
     * @param  float|null  $thinner  parts of thinner to one of paint for the airbrush
     */
    public function __construct(
        public string $chemistry,
        public Sheen $sheen,
        public float $density,
        public int $sizeMl,
        public int $dryingMinutes,
        public ?int $pressurePsi,
        public ?float $thinner,
        public string $cleaner,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;

/**
 * A pot in the mix of a layer, with how sure its K and S are.
 */
final readonly class Ingredient
{
    /**
     * @param  string  $pot  the same for every layer that it is in
     * @param  float  $parts  by volume, > 0
     */
    public function __construct(public string $pot, public PaintOptics $optics, public float $parts, public OpticsSpread $spread)
    {
    }
}

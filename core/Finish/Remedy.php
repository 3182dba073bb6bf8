<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * A change of a layer that would make it read.
 */
final readonly class Remedy
{
    /**
     * @param  string  $words  "3 coats would show"
     * @param  Layer  $layer  the layer with that change
     * @param  float  $change  CIEDE2000 it would then make
     */
    public function __construct(public string $words, public Layer $layer, public float $change)
    {
    }
}

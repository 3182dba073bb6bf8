<?php

declare(strict_types=1);

namespace App\Http\Props\Cups;

use Hyalin\Cup\ScaleState;

/**
 * The count of the scale so far in one filling.
 */
final readonly class ScaleProps
{
    /**
     * @param  int  $readings  so far
     * @param  int  $everyMs  milliseconds from reading to reading
     */
    public function __construct(
        public float $grams,
        public ScaleState $state,
        public int $readings,
        public int $missing,
        public int $jumps,
        public float $drift,
        public int $everyMs,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Plan\Reach;

final readonly class BuiltAreaProps
{
    /**
     * @param  int  $depth  0 lies innermost
     * @param  float|null  $squareCm  null while nobody has measured it
     * @param  float  $estimatedCm2  from the height of the figure, used where it is not measured
     * @param  bool  $isLeftBare  shown as it was printed
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?int $partId,
        public int $depth,
        public ?float $squareCm,
        public float $estimatedCm2,
        public bool $isHidden,
        public bool $isLeftBare,
        public Reach $reach,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * An area with its stack of layers.
 */
final readonly class AreaPlan
{
    /**
     * @param  int  $depth  0 lies innermost; a larger number farther outside
     * @param  float  $squareCm  of surface
     * @param  list<LayerPlan>  $layers  in stack order
     * @param  string|null  $liesOn  id of the area it lies on when that is finished
     * @param  bool  $isHidden  no eye reaches it on the finished figure
     * @param  Reach  $reach  what gets to it
     * @param  bool  $isLeftBare  shown as it was printed: it gets no paint, and every spray keeps off it
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $part,
        public int $depth,
        public float $squareCm,
        public array $layers,
        public ?string $liesOn = null,
        public bool $isHidden = false,
        public Reach $reach = Reach::Open,
        public bool $isLeftBare = false,
    ) {
    }

    /** @return float mm around a round area of this size: what its borders come to where nobody has measured them */
    public function outlineMm(): float
    {
        return self::outlineOf($this->squareCm);
    }

    /** @return float mm around a round area of so many cm2 */
    public static function outlineOf(float $squareCm): float
    {
        return 20.0 * sqrt(M_PI * max(0.0, $squareCm));
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How long a technique keeps the painter at the bench: to set it up, by the surface, and by the edge one paints along.
 * Own estimates, until a painter's own runs tell more.
 */
final readonly class HandsOnMinutes
{
    private const USUAL_CM2 = 5.0;

    /** Around a round area of that size. */
    private const USUAL_MM = 79.3;

    private function __construct(public float $setUp, private float $perCm2, private float $perMm)
    {
    }

    /**
     * @param  float  $setUp  minutes a coat, however small the area
     * @param  float  $perCm2  minutes a coat and square centimetre
     * @param  float  $perMm  minutes a coat and millimetre of edge
     */
    public static function of(float $setUp, float $perCm2, float $perMm = 0.0): self
    {
        return new self($setUp, $perCm2, $perMm);
    }

    /** @return int minutes for so many coats on an area of a few square centimetres, where its size does not matter or is not known */
    public function usual(int $coats): int
    {
        return $this->minutes($coats, self::USUAL_CM2, self::USUAL_MM);
    }

    /**
     * @param  float  $squareCm  of the area
     * @param  float  $edgeMm  around it
     * @param  float  $learned  factor from the painter's own runs
     * @return int minutes for so many coats on one figure, 1 or more
     */
    public function minutes(int $coats, float $squareCm, float $edgeMm, float $learned = 1.0): int
    {
        return max(1, (int) round($learned * $coats * ($this->setUp + $this->perCm2 * $squareCm + $this->perMm * $edgeMm)));
    }
}

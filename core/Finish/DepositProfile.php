<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Optics\AreaCoverage;

/**
 * What one coat of a technique leaves on each zone: the fraction of the surface it covers (0..1) and the thickness of
 * the film there in reference coats, both in the order recess, shade, mid, light, edge.
 */
final readonly class DepositProfile
{
    /** Hits at full exposure in one pass of a directed spray: own estimate. */
    public const HITS = 1.2;

    /**
     * @param  array{float, float, float, float, float}  $coverage
     * @param  array{float, float, float, float, float}  $thickness
     */
    private function __construct(private array $coverage, private array $thickness)
    {
    }

    /**
     * @param  array{float, float, float, float, float}  $coverage
     * @param  array{float, float, float, float, float}  $thickness
     */
    public static function of(array $coverage, array $thickness): self
    {
        return new self($coverage, $thickness);
    }

    /**
     * One reference coat on part of each zone.
     *
     * @param  array{float, float, float, float, float}  $coverage
     */
    public static function covering(array $coverage): self
    {
        return new self($coverage, [1.0, 1.0, 1.0, 1.0, 1.0]);
    }

    /** @param  float  $thickness  of every zone, in reference coats, 0 or more */
    public static function everywhere(float $thickness): self
    {
        return new self([1.0, 1.0, 1.0, 1.0, 1.0], [$thickness, $thickness, $thickness, $thickness, $thickness]);
    }

    /**
     * One pass of spray from a direction: random drops, so that a zone of exposure e is covered to 1 - exp(-k e).
     *
     * @param  array{float, float, float, float, float}  $exposure  0..1
     */
    public static function sprayed(float $hitsAtFullExposure, array $exposure): self
    {
        $covered = static fn (float $e): float => AreaCoverage::ofRandomHits($hitsAtFullExposure * $e)->fraction;

        return new self(
            [
                $covered($exposure[0]),
                $covered($exposure[1]),
                $covered($exposure[2]),
                $covered($exposure[3]),
                $covered($exposure[4]),
            ],
            [1.0, 1.0, 1.0, 1.0, 1.0],
        );
    }

    /** @return float fraction of the zone that one coat covers, 0..1 */
    public function coverage(Zone $zone): float
    {
        return $this->coverage[$zone->index()];
    }

    /** @return float reference coats where it covers */
    public function thickness(Zone $zone): float
    {
        return $this->thickness[$zone->index()];
    }
}

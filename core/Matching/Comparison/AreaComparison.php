<?php

declare(strict_types=1);

namespace Hyalin\Matching\Comparison;

/**
 * An area of a painted piece beside what was wanted of it.
 */
final readonly class AreaComparison
{
    /** A zone that the mesh hardly has still counts a little, as it was found on the photo. */
    private const LEAST_SHARE = 0.01;

    /** @param  list<ZoneComparison>  $zones */
    private function __construct(
        public float $tolerance,
        public array $zones,
        /** CIEDE2000 over the zones by their shares; null until something of it is found */
        public ?float $mean,
        public ?float $worst,
    ) {
    }

    /**
     * @param  list<ZoneComparison>  $zones
     * @param  array<string, float>  $shares  of the area, by zone
     * @param  float  $tolerance  CIEDE2000 it may differ by on average
     */
    public static function of(array $zones, array $shares, float $tolerance): self
    {
        $sum = $of = $worst = 0.0;
        foreach ($zones as $zone) {
            if ($zone->toWanted !== null) {
                $share = max(self::LEAST_SHARE, $shares[$zone->zone->value] ?? 0.0);
                $sum += $share * $zone->toWanted->difference;
                $of += $share;
                $worst = max($worst, $zone->toWanted->difference);
            }
        }

        return new self($tolerance, $zones, $of > 0.0 ? $sum / $of : null, $of > 0.0 ? $worst : null);
    }

    /** @return bool|null null until something of it is found */
    public function isWithin(): ?bool
    {
        return $this->mean === null ? null : $this->mean <= $this->tolerance;
    }
}

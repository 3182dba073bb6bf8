<?php

declare(strict_types=1);

namespace App\Http\Props\Compare;

use App\Adapters\Compare\ComparedArea;
use Hyalin\Matching\Comparison\ZoneComparison;

/**
 * An area of the painted piece.
 */
final readonly class ComparedAreaProps
{
    /**
     * @param  float  $tolerance  CIEDE2000 in the mean it may be off by
     * @param  list<ComparedZoneProps>  $zones
     * @param  float|null  $mean  null until something of it is found on the photo
     * @param  bool|null  $isWithin  its tolerance
     */
    public function __construct(
        public int $areaId,
        public string $name,
        public float $tolerance,
        public array $zones,
        public ?float $mean,
        public ?float $worst,
        public ?bool $isWithin,
    ) {
    }

    public static function of(ComparedArea $of): self
    {
        $comparison = $of->comparison;

        return new self(
            $of->area->id, $of->area->name, $comparison->tolerance,
            array_map(static fn (ZoneComparison $z): ComparedZoneProps => ComparedZoneProps::of($z, $of->finding($z->zone), $of->doubt?->spread($z->zone)), $comparison->zones),
            $comparison->mean, $comparison->worst, $comparison->isWithin(),
        );
    }
}

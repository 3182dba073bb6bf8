<?php

declare(strict_types=1);

namespace App\Http\Props\Compare;

use App\Http\Props\ColourProps;
use App\Http\Props\Finish\SpreadProps;
use App\Models\Compare\Finding;
use Hyalin\Colour\ColourSpread;
use Hyalin\Colour\Likeness;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Comparison\ZoneComparison;

/**
 * One zone of the painted piece beside what was wanted and what was predicted.
 */
final readonly class ComparedZoneProps
{
    /**
     * @param  ColourProps  $wanted  the reference's colour; where none was taken, the predicted one
     * @param  ColourProps|null  $painted  null until it is found on the photo
     * @param  ColourProps|null  $predicted  null without a finish
     * @param  float|null  $difference  CIEDE2000 of painted to wanted
     * @param  list<string>  $words  how the painted one differs: lighter, duller, redder
     * @param  float|null  $fromPredicted  CIEDE2000 of painted to predicted
     * @param  SpreadProps|null  $spread  where the predicted one was to lie; null without a finish
     * @param  list<list<float>>  $outline
     */
    public function __construct(
        public Zone $zone,
        public ColourProps $wanted,
        public ?ColourProps $painted,
        public ?ColourProps $predicted,
        public ?float $difference,
        public ?Likeness $likeness,
        public array $words,
        public ?float $fromPredicted,
        public ?SpreadProps $spread,
        public ?string $doubt,
        public ?string $method,
        public array $outline,
    ) {
    }

    public static function of(ZoneComparison $zone, ?Finding $finding, ?ColourSpread $spread): self
    {
        return new self(
            $zone->zone,
            ColourProps::of($zone->wanted),
            $zone->painted === null ? null : ColourProps::of($zone->painted),
            predicted: $zone->predicted === null ? null : ColourProps::of($zone->predicted),
            difference: $zone->toWanted?->difference,
            likeness: $zone->toWanted === null ? null : Likeness::of($zone->toWanted->difference),
            words: $zone->toWanted->words ?? [],
            fromPredicted: $zone->toPredicted,
            spread: $spread === null ? null : SpreadProps::of($spread),
            doubt: $finding?->doubts === null ? null : ucfirst(implode('; ', $finding->doubts)).'.',
            method: $finding->method ?? null,
            outline: $finding->outline ?? [],
        );
    }
}

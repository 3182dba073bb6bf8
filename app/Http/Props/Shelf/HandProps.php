<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\TechniqueHand;
use Hyalin\Finish\Technique;

/**
 * A painter's hand at one technique.
 */
final readonly class HandProps
{
    /** @param  list<ChipProps>  $chips */
    public function __construct(
        public Technique $technique,
        public bool $covers,
        public float $coverage,
        public float $coverageDeviation,
        public float $thickness,
        public float $thicknessDeviation,
        public array $chips,
    ) {
    }

    /** @param  iterable<ChipRecord>  $chips */
    public static function of(TechniqueHand $hand, iterable $chips): self
    {
        $own = [];
        foreach ($chips as $chip) {
            if ($chip->technique === $hand->technique) {
                $own[] = ChipProps::of($chip);
            }
        }

        return new self(
            $hand->technique,
            $hand->coverage_deviation === 0.0,
            $hand->coverage,
            $hand->coverage_deviation,
            $hand->thickness,
            $hand->thickness_deviation,
            $own,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Plan\StepKind;

/**
 * A step of the work in its place.
 */
final readonly class OrderStepProps
{
    /**
     * @param  list<string>  $partIds
     * @param  list<string>  $areaNames
     * @param  list<string>  $hexes  of its mix, for the eye
     * @param  list<string>  $cautions
     * @param  string  $tool  what it is done with
     */
    public function __construct(
        public string $id,
        public StepKind $kind,
        public string $words,
        public array $partIds,
        public array $areaNames,
        public int $minutes,
        public int $dryMinutes,
        public array $hexes,
        public array $cautions,
        public ?string $cleaner,
        public string $tool,
    ) {
    }
}

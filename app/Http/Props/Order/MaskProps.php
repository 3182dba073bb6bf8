<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

/**
 * A mask: from the step it goes on after to the spray it is for.
 */
final readonly class MaskProps
{
    /** @param  list<string>  $protects  names of areas */
    public function __construct(
        public string $step,
        public ?string $after,
        public array $protects,
        public string $partId,
        public string $material,
        public float $mm,
        public float $squareCm,
        public float $minutes,
        public int $dryMinutes,
        public int $mostHours,
        public string $peel,
        public ?string $warning,
    ) {
    }
}

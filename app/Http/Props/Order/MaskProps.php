<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

/**
 * A mask: from the step it goes on after to the spray it is for.
 */
final readonly class MaskProps
{
    /**
     * @param  list<string>  $protects  names of areas
     * @param  string|null  $until  the last spray it is there for; null where that is the only one
     * @param  float  $estimatedMm  of the border, that nobody has measured
     * @param  int|null  $peelMinutes  after the last spray, while that is soft; null when it dries first
     */
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
        public ?string $until,
        public float $estimatedMm,
        public int $mostMinutes,
        public ?int $peelMinutes,
        public string $peel,
        public ?string $warning,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Order\Steps\StepId;

/**
 * What to protect at one spray, with what, from when to when.
 */
final readonly class MaskPlan
{
    /**
     * @param  StepId  $step  the spray
     * @param  list<string>  $protects  ids of areas
     * @param  float  $tapeMm  of straight border
     * @param  float  $fluidMm  of curved border
     * @param  float  $squareCm  to be wrapped
     * @param  StepId|null  $after  the step it goes on after
     * @param  int  $dryMinutes  that step must have dried before
     * @param  int  $mostHours  it may stay on
     * @param  float  $minutes  to put on and take off
     */
    public function __construct(
        public StepId $step,
        public array $protects,
        public float $tapeMm,
        public float $fluidMm,
        public float $squareCm,
        public ?StepId $after,
        public int $dryMinutes,
        public int $mostHours,
        public float $minutes,
        public string $peel,
        public ?string $warning,
    ) {
    }

    /** @return string what to take */
    public function material(): string
    {
        $edge = match (true) {
            $this->tapeMm > 0 && $this->fluidMm > 0 => 'tape on the straight borders, masking fluid on the curved ones',
            $this->tapeMm > 0 => 'tape, its edge sealed with masking fluid',
            default => 'masking fluid',
        };

        return $this->squareCm > 4 ? "{$edge}; putty, foil or cling film over the rest" : $edge;
    }
}

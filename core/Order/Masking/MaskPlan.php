<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Plan\StepId;

/**
 * A mask for one spray or for several in a row: the areas it protects, its material, from which step to which.
 */
final readonly class MaskPlan
{
    /**
     * @param  StepId  $step  the first spray it is for
     * @param  StepId  $until  the last one: the same where it is for one only
     * @param  int  $number  of several masks for the same first spray, from 0
     * @param  list<string>  $protects  ids of areas
     * @param  float  $tapeMm  of straight border
     * @param  float  $fluidMm  of curved border
     * @param  float  $estimatedMm  of these, that nobody has measured
     * @param  float  $squareCm  to be wrapped
     * @param  StepId|null  $after  the step it goes on after
     * @param  int  $dryMinutes  that step must have dried before
     * @param  int  $mostMinutes  it may stay on
     * @param  int|null  $peelMinutes  after the last spray within which it is peeled, while that is soft; null when it dries first
     * @param  float  $minutes  to put on and take off
     */
    public function __construct(
        public StepId $step,
        public StepId $until,
        public int $number,
        public array $protects,
        public float $tapeMm,
        public float $fluidMm,
        public float $estimatedMm,
        public float $squareCm,
        public ?StepId $after,
        public int $dryMinutes,
        public int $mostMinutes,
        public ?int $peelMinutes,
        public float $minutes,
        public string $peel,
        public ?string $warning,
    ) {
    }

    /** @return StepId of putting it on */
    public function on(): StepId
    {
        return StepId::mask($this->step, $this->number);
    }

    /** @return StepId of taking it off */
    public function off(): StepId
    {
        return StepId::peel($this->step, $this->number);
    }

    /** @return float mm of border */
    public function borderMm(): float
    {
        return $this->tapeMm + $this->fluidMm;
    }

    /** @return string what to take */
    public function material(): string
    {
        $edge = match (true) {
            $this->tapeMm > 0 && $this->fluidMm > 0 => 'tape on the straight borders, masking fluid on the curved ones',
            $this->tapeMm > 0 => 'tape, its edge sealed with masking fluid',
            $this->fluidMm > 0 || $this->squareCm <= 0.0 => 'masking fluid',
            default => null,
        };
        $rest = 'putty, foil or cling film over the rest';

        return match (true) {
            $edge === null => 'cling film or foil over all of it',
            $this->squareCm > 4 => "{$edge}; {$rest}",
            default => $edge,
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\RunStep;
use App\Models\RunStepState;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;

/**
 * A step at the bench.
 */
final readonly class RunStepProps
{
    /**
     * @param  list<Zone>  $zones
     * @param  list<DropsProps>  $plannedMix
     * @param  array<string, string>  $plannedColours  hex by zone, recess to edge
     * @param  list<DropsProps>|null  $usedMix  null while it was used as planned or is not done
     * @param  string|null  $doneAt  ISO 8601
     * @param  string|null  $lastTime  what was noted at this step in the run that this one repeats
     */
    public function __construct(
        public int $id,
        public int $position,
        public ?string $partName,
        public string $areaName,
        public Technique $technique,
        public string $instruction,
        public array $zones,
        public float $thinner,
        public int $coats,
        public array $plannedMix,
        public array $plannedColours,
        public int $dryingMinutes,
        public RunStepState $state,
        public ?array $usedMix,
        public ?int $usedCoats,
        public ?string $note,
        public ?string $doneAt,
        public ?string $lastTime,
        public int $version,
    ) {
    }

    public static function of(RunStep $step, ?RunStep $before = null): self
    {
        return new self(
            $step->id,
            $step->position,
            $step->part_name,
            $step->area_name,
            $step->technique,
            $step->technique->instruction(),
            $step->zones,
            $step->thinner,
            $step->coats,
            DropsProps::recorded($step->planned_mix),
            $step->planned_colours,
            $step->drying_minutes,
            $step->state,
            $step->used_mix === null ? null : DropsProps::recorded($step->used_mix),
            $step->used_coats,
            $step->note,
            $step->done_at?->toIso8601String(),
            $before?->note,
            $step->version,
        );
    }
}

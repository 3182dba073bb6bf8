<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Casts\RecordedMix;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Bench\DryingAid;

/**
 * How long a step dries at this painter's bench: moving or warm air, looked up once a request, helps what its chemistry lets it.
 */
final class AidedDrying
{
    /** @var array<int, DryingAid> by painter */
    private array $aids = [];

    /**
     * @param  Paint|null  $pot  with the most drops
     * @return int minutes: as they were when it was done, or as they would be now
     */
    public function minutes(RunStep $step, ?Paint $pot): int
    {
        if ($step->state === RunStepState::Done) {
            return $step->dryMinutes();
        }

        return $this->aid($step->run->painter_id)->minutes($step->drying_minutes, $pot?->pot()->chemistry());
    }

    /** Keeps with a step that was just done how long it dries; what is open again dries as it will then. */
    public function keep(RunStep $step): void
    {
        $mix = $step->used_mix ?? $step->planned_mix;
        $aid = $this->aid($step->run->painter_id);
        $pot = $aid === DryingAid::None || $mix === [] ? null : Paint::withTrashed()->find(RecordedMix::main($mix)['paintId']);
        $step->aided_minutes = $step->state === RunStepState::Done && $pot !== null ? $aid->minutes($step->drying_minutes, $pot->pot()->chemistry()) : null;
    }

    public function forget(): void
    {
        $this->aids = [];
    }

    /** The drying aid at this painter's bench. */
    public function aid(int $painterId): DryingAid
    {
        return $this->aids[$painterId] ??= Painter::query()->findOrFail($painterId)->drying_aid;
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\PaintNeeds;
use App\Adapters\Order\LearnedMinutes;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Shelf\Paint;

/**
 * Keeps the levels of the pots in step with a record: what a finished step took is taken out once, and put back when the
 * step is taken back. What was mixed in a cup left its pots there.
 */
final readonly class TakePaintFromPots
{
    public function __construct(private PaintNeeds $needs, private LearnedMinutes $minutes)
    {
    }

    public function __invoke(RunStep $step): void
    {
        foreach ($step->taken_ml ?? [] as $paintId => $millilitres) {
            self::pot($step, $paintId)?->takeOut(-$millilitres);
        }
        $step->loadMissing('areas');
        $taken = $step->state === RunStepState::Done && ! $step->cups()->exists() ? $this->taken($step) : [];
        foreach ($taken as $paintId => $millilitres) {
            self::pot($step, $paintId)?->takeOut($millilitres);
        }
        $step->taken_ml = $taken ?: null;
        $this->needs->forget();
        $this->minutes->forget();
    }

    /** @return array<int, float> mL by paint */
    private function taken(RunStep $step): array
    {
        $drops = $this->needs->drops($step);
        $all = array_sum($drops);
        $share = $all > 0 ? ($step->used_drops ?? $all) / $all : 0.0;

        $pots = array_filter(array_map(static fn (int $id): ?Paint => self::pot($step, $id), array_column($step->used_mix ?? $step->planned_mix, 'paintId')));

        // A can is not counted in drops: what it sprays is all there is to say.
        return array_map(static fn (float $ml): float => $ml * ($drops === [] ? 1.0 : $share), $this->needs->millilitres($pots, $step));
    }

    private static function pot(RunStep $step, int $paintId): ?Paint
    {
        return Paint::withTrashed()->where('painter_id', $step->run->painter_id)->find($paintId);
    }
}

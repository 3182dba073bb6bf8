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
 * step is taken back. A cup that serves several steps leaves the pots with the first of them; what was mixed in a cup of the
 * cups page left them there.
 */
final readonly class TakePaintFromPots
{
    public function __construct(private PaintNeeds $needs, private LearnedMinutes $minutes)
    {
    }

    public function __invoke(RunStep $step): void
    {
        $step->loadMissing(['areas', 'cups', 'run.figure']);
        $steps = array_values($step->run->steps()->with(['areas', 'cups', 'run.figure'])->get()->map(static fn (RunStep $s): RunStep => $s->id === $step->id ? $step : $s)->all());
        $this->settle($step, []);
        // What was learned from this very record is learned anew.
        $step->save();
        $this->needs->forget();
        $at = (int) array_search($step, $steps, true);
        // Those that it was in one cup with until now are beside it.
        $near = array_slice($steps, max(0, $at - 1), $at === 0 ? 2 : 3);
        foreach (PaintNeeds::cups($steps) as $cup) {
            if (array_filter($cup, static fn (RunStep $s): bool => in_array($s, $near, true)) !== []) {
                $this->settleCup($cup);
            }
        }
        $this->needs->forget();
        $this->minutes->forget();
    }

    /** @param  non-empty-list<RunStep>  $cup */
    private function settleCup(array $cup): void
    {
        $isMixed = array_filter($cup, static fn (RunStep $s): bool => $s->cups->isNotEmpty()) !== [];
        $done = array_filter($cup, static fn (RunStep $s): bool => $s->state === RunStepState::Done);
        $counted = array_filter($done, static fn (RunStep $s): bool => $s->used_drops !== null);
        $first = array_key_first($done);
        foreach ($cup as $n => $step) {
            $this->settle($step, match (true) {
                $isMixed, ! isset($done[$n]) => [],
                $counted !== [] => isset($counted[$n]) ? $this->taken($step) : [],
                default => $n === $first ? $this->taken($step, ...array_values(array_diff_key($cup, [$n => true]))) : [],
            });
        }
    }

    /** @param  array<int, float>  $taken  mL by paint, all that the step takes */
    private function settle(RunStep $step, array $taken): void
    {
        $before = $step->takenMl();
        foreach ($before as $paintId => $millilitres) {
            self::pot($step, $paintId)?->takeOut(-$millilitres);
        }
        foreach ($taken as $paintId => $millilitres) {
            self::pot($step, $paintId)?->takeOut($millilitres);
        }
        if ($taken !== $before) {
            $step->putTakenMl($taken);
        }
    }

    /**
     * @param  RunStep  ...$with  that the same cup serves
     * @return array<int, float> mL by paint
     */
    private function taken(RunStep $step, RunStep ...$with): array
    {
        $drops = $this->needs->drops($step, ...$with);
        $all = array_sum($drops);
        $share = $all > 0 ? ($step->used_drops ?? $all) / $all : 0.0;

        $pots = array_filter(array_map(static fn (int $id): ?Paint => self::pot($step, $id), array_column($step->used_mix ?? $step->planned_mix, 'paintId')));

        // A can is not counted in drops: what it sprays is all there is to say.
        return array_map(static fn (float $ml): float => $ml * ($drops === [] ? 1.0 : $share), $this->needs->millilitres($pots, $step, ...$with));
    }

    private static function pot(RunStep $step, int $paintId): ?Paint
    {
        return Paint::withTrashed()->where('painter_id', $step->run->painter_id)->find($paintId);
    }
}

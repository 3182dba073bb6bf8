<?php

declare(strict_types=1);

namespace App\Http\Props\Home;

use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Bench\Timer;
use App\Models\Painter;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/**
 * Something that waits: a piece that dries, a mask that must come off, a timer.
 */
final readonly class TrayItemProps
{
    /** Nothing of the trade waits longer on the sill: fluid a day, tape three, a thin oil wash overnight. */
    private const DAYS = 4;

    /**
     * @param  string  $key  the same for the same thing
     * @param  string  $kind  drying, mask or timer
     * @param  string  $at  ISO 8601: dry, to be peeled before, rings
     * @param  int|null  $timerId  what can be stopped
     */
    public function __construct(
        public string $key,
        public string $kind,
        public string $what,
        public string $figure,
        public string $at,
        public string $url,
        public ?int $timerId,
    ) {
    }

    /** @return list<self> soonest first */
    public static function of(Painter $painter): array
    {
        $steps = RunStep::query()
            ->join('runs', 'runs.id', '=', 'run_steps.run_id')
            ->join('figures', 'figures.id', '=', 'runs.figure_id')
            ->where('runs.painter_id', $painter->id)
            ->where('run_steps.state', RunStepState::Done)
            ->where('run_steps.done_at', '>', now()->subDays(self::DAYS))
            ->get(['run_steps.*', 'figures.name as figure_name']);
        $peels = self::peels($steps);
        $items = [];
        foreach ($steps as $step) {
            if ($step->kind === StepKind::Mask) {
                $items[] = self::mask($step, $peels);
            }
        }
        foreach (self::lastCoats($steps) as $step) {
            if ($step->done_at?->addMinutes($step->dryMinutes())->isFuture() ?? false) {
                $items[] = self::item('drying', $step, $step->dryMinutes());
            }
        }
        foreach ($painter->timers()->whereNull('stopped_at')->where('ends_at', '>', now()->subDay())->get() as $timer) {
            $items[] = self::timer($timer);
        }
        $items = array_values(array_filter($items));
        usort($items, static fn (self $p, self $q): int => $p->at <=> $q->at);

        return $items;
    }

    /**
     * What was put on a part last holds all of it up: what dries beneath or beside it need not stand on the sill as well.
     *
     * @param  Collection<int, RunStep>  $steps
     * @return list<RunStep>
     */
    private static function lastCoats(Collection $steps): array
    {
        $last = [];
        foreach ($steps as $step) {
            $key = "{$step->run_id} {$step->copy} ".($step->part_name ?? $step->area_name);
            $dry = $step->done_at?->addMinutes($step->dryMinutes());
            $known = $last[$key] ?? null;
            if ($step->kind !== StepKind::Mask && ($known === null || $dry >= $known->done_at?->addMinutes($known->dryMinutes()))) {
                $last[$key] = $step;
            }
        }

        return array_values($last);
    }

    public static function timer(Timer $timer): self
    {
        return new self(
            "timer {$timer->id}",
            'timer',
            $timer->what,
            '',
            $timer->ends_at->toIso8601String(),
            $timer->run_id === null ? route('home', [], false) : route('runs.show', $timer->run_id, false),
            $timer->id,
        );
    }

    /**
     * Masks that are on, and by when they are peeled: while the last coat over them is soft, once that is on.
     *
     * @param  Collection<int, RunStep>  $done
     * @return array<string, Carbon|null> of the open peels of runs with a mask, by run, key and copy; null while something else comes before
     */
    private static function peels(Collection $done): array
    {
        $runs = $done->filter(static fn (RunStep $s): bool => $s->kind === StepKind::Mask)->pluck('run_id')->unique();
        $open = $runs->isEmpty() ? new Collection : RunStep::query()->whereIn('run_id', $runs)->where('state', RunStepState::Open)->get(['run_id', 'step_key', 'copy', 'kind', 'position', 'most_minutes']);
        // One figure of a batch at a time: a long batch has thousands of steps, and the tray stands under every page.
        $own = static fn (RunStep $s): string => "{$s->run_id} {$s->copy}";
        $doneOf = $done->groupBy($own);
        $known = [];
        foreach ($open->groupBy($own) as $figure => $left) {
            foreach ($left->filter(static fn (RunStep $s): bool => $s->kind === StepKind::Peel) as $peel) {
                $last = ($doneOf[$figure] ?? new Collection)->where('position', '<', $peel->position)->sortBy('position')->last();
                $between = $left->filter(static fn (RunStep $s): bool => $s->position < $peel->position && $s->position > ($last->position ?? 0) && $s->kind !== StepKind::Peel);
                $isSoft = $last !== null && $between->isEmpty() && $peel->most_minutes !== null && $last->kind !== StepKind::Mask;
                $known["{$peel->run_id} {$peel->step_key} {$peel->copy}"] = $isSoft ? $last->done_at?->addMinutes($peel->most_minutes) : null;
            }
        }

        return $known;
    }

    /**
     * A mask stays until its peel is done or given up.
     *
     * @param  array<string, Carbon|null>  $peels  that are open, and by when
     */
    private static function mask(RunStep $step, array $peels): ?self
    {
        $peel = StepId::tryParse((string) $step->step_key)?->peeledBy();

        $key = "{$step->run_id} {$peel} {$step->copy}";
        if ($step->most_minutes === null || ! array_key_exists($key, $peels)) {
            return null;
        }
        $soft = $peels[$key] === null ? INF : ($step->done_at ?? Carbon::now())->diffInMinutes($peels[$key]);

        return self::item('mask', $step, (int) min($step->most_minutes, $soft));
    }

    private static function item(string $kind, RunStep $step, int $minutes): self
    {
        $at = ($step->done_at ?? Carbon::now())->addMinutes($minutes);

        return new self(
            "{$kind} {$step->id}",
            $kind,
            $step->where().', '.$step->title(),
            (string) $step->figure_name,
            $at->toIso8601String(),
            route('runs.show', $step->run_id, false),
            null,
        );
    }
}

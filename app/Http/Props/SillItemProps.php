<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Painter;
use App\Models\RunStep;
use App\Models\RunStepState;

/**
 * Something wet: what it is and when it will be dry.
 */
final readonly class SillItemProps
{
    /** @param  string  $dryAt ISO 8601 */
    public function __construct(
        public int $stepId,
        public string $what,
        public string $figure,
        public string $dryAt,
        public string $url,
    ) {
    }

    /** @return list<self> soonest first */
    public static function of(Painter $painter): array
    {
        $items = RunStep::query()
            ->whereHas('run', fn ($q) => $q->where('painter_id', $painter->id))
            ->where('state', RunStepState::Done)
            // Nothing of the trade in this slice dries longer than a day.
            ->where('done_at', '>', now()->subDay())
            ->with('run.figure')
            ->get()
            ->filter(static fn (RunStep $s): bool => $s->done_at?->addMinutes($s->drying_minutes)->isFuture() ?? false)
            ->map(static fn (RunStep $s): self => new self(
                $s->id,
                self::short($s->area_name).', '.$s->technique->value,
                $s->run->figure->name,
                (string) $s->done_at?->addMinutes($s->drying_minutes)->toIso8601String(),
                route('runs.show', $s->run_id, false),
            ))
            ->sortBy('dryAt');

        return array_values($items->all());
    }

    /** A step for many areas says how many: the sill has little room. */
    private static function short(string $areas): string
    {
        $names = explode(', ', $areas);

        return count($names) > 2 ? count($names).' areas' : $areas;
    }
}

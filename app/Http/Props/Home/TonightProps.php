<?php

declare(strict_types=1);

namespace App\Http\Props\Home;

use App\Adapters\Bench\BenchHours;
use App\Adapters\Bench\BenchState;
use App\Models\Bench\Run;
use App\Models\Painter;
use Illuminate\Support\Carbon;

/**
 * What a painter asks on sitting down: which pieces are dry enough, which step, which cup, and what fits into the time left.
 */
final readonly class TonightProps
{
    /** Steps shown of one run: what could be done first. */
    private const OF_ONE = 3;

    /**
     * @param  string|null  $session  ISO 8601: when the session ends that is on, or begins that is next; null when none is planned
     * @param  bool  $isOn  it is on now
     * @param  int  $minutesLeft  of it
     * @param  list<TonightStepProps>  $steps  ready ones first; those that fit into the time left are marked
     */
    private function __construct(public ?string $session, public bool $isOn, public int $minutesLeft, public array $steps)
    {
    }

    public static function of(Painter $painter): self
    {
        $now = Carbon::now();
        [$session, $isOn, $left] = self::session($painter, $now);
        $found = [];
        $runs = $painter->runs()->whereNull('finished_at')->with(['figure', 'steps.areas', 'steps.parts', 'steps.cups.entries'])->get();
        foreach ($runs as $run) {
            $state = BenchState::of($run);
            foreach (array_slice($state->next(), 0, self::OF_ONE) as $step) {
                $found[] = [$run, $step, $state->wetUnder($step, $now)];
            }
        }
        // What can be done now comes first, then what is dry soonest.
        usort($found, static fn (array $p, array $q): int => [$p[2][1] ?? $now, $p[0]->id, $p[1]->position] <=> [$q[2][1] ?? $now, $q[0]->id, $q[1]->position]);
        $steps = [];
        foreach ($found as [$run, $step, $held]) {
            $fits = $held === null && $step->minutes <= $left;
            $left -= $fits ? $step->minutes : 0;
            $steps[] = TonightStepProps::of($run, $step, $held, $fits);
        }

        return new self($session?->toIso8601String(), $isOn, max(0, (int) self::session($painter, $now)[2]), $steps);
    }

    /** @return array{Carbon|null, bool, float} */
    private static function session(Painter $painter, Carbon $now): array
    {
        [$start, $minutes] = BenchHours::of($painter)->sessions($now->toImmutable())[0] ?? [null, 0.0];
        if ($start === null) {
            return [null, false, 0.0];
        }
        $isOn = $start * 60 <= $now->getTimestamp() + 60;

        return [Carbon::createFromTimestamp((int) round(($isOn ? $start + $minutes : $start) * 60)), $isOn, $minutes];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Bench\ScheduleRecord;
use Carbon\CarbonImmutable;

/**
 * The sessions as they were last planned.
 */
final readonly class ScheduleProps
{
    /**
     * @param  list<SessionProps>  $sessions
     * @param  list<CriticalStepProps>  $chain  what decides the date, first step first
     * @param  string  $finish  ISO 8601
     * @param  string  $bound  ISO 8601: no order of work finishes earlier
     * @param  list<int>  $figureIds
     * @param  int  $missed  steps of past sessions that are still open
     * @param  list<array{what: string, figure: string, from: string, to: string, why: string}>  $moved  into another session when it was planned last
     */
    public function __construct(public array $sessions, public array $chain, public string $finish, public string $bound, public array $figureIds, public int $missed, public array $moved)
    {
    }

    public static function of(ScheduleRecord $schedule): self
    {
        $runs = RunStep::query()->whereHas('run', static fn ($q) => $q->where('painter_id', $schedule->painter_id))->get(['id', 'run_id', 'state'])->keyBy('id');
        $missed = 0;
        $sessions = [];
        foreach ($schedule->sessions as $session) {
            $steps = [];
            foreach ($session['steps'] as $step) {
                $record = $runs->get($step['runStepId'] ?? 0);
                $missed += $step['end'] < now()->getTimestamp() && ($record === null ? true : $record->state === RunStepState::Open) ? 1 : 0;
                $steps[] = new SessionStepProps(
                    $step['id'],
                    $step['figureId'],
                    $step['figure'],
                    what: $step['what'],
                    where: $step['where'],
                    start: self::iso($step['start']),
                    end: self::iso($step['end']),
                    hex: $step['hex'] ?? null,
                    url: $record === null ? null : route('runs.show', $record->run_id, false),
                );
            }
            $sessions[] = new SessionProps(self::iso($session['start']), self::iso($session['end']), $steps);
        }

        return new self(
            $sessions,
            array_map(static fn (array $h): CriticalStepProps => new CriticalStepProps($h['what'], $h['figure'], $h['hold']), $schedule->chain),
            $schedule->finish->toIso8601String(),
            $schedule->bound->toIso8601String(),
            $schedule->figureIds(),
            $missed,
            array_map(static fn (array $m): array => [...$m, 'from' => self::iso($m['from']), 'to' => self::iso($m['to'])], $schedule->moved ?? []),
        );
    }

    private static function iso(int $seconds): string
    {
        return CarbonImmutable::createFromTimestamp($seconds)->toIso8601String();
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Adapters\Bench\BenchHours;
use App\Adapters\Bench\FigureWork;
use App\Models\Bench\ScheduleRecord;
use App\Models\Brief\Figure;
use App\Models\Painter;
use DateTimeImmutable;
use Hyalin\Bench\BenchScheduler;
use Hyalin\Bench\CriticalChain;
use Hyalin\Bench\InvalidSchedule;
use Hyalin\Bench\Schedule as Laid;
use Hyalin\Bench\ScheduleTask;
use Hyalin\Bench\SessionPieces;
use Hyalin\Bench\Work;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Plans what is left of some figures over the painter's sessions, and keeps it.
 *
 * @phpstan-import-type LaidSession from ScheduleRecord
 * @phpstan-import-type LaidHold from ScheduleRecord
 * @phpstan-import-type LaidMove from ScheduleRecord
 * @phpstan-import-type Known from FigureWork
 */
final class PlanSessions
{
    /**
     * @param  iterable<Figure>  $figures
     * @return ScheduleRecord|null null when nothing is left to do on any of them
     *
     * @throws InvalidSchedule when the steps do not fit into the painter's hours
     */
    public function __invoke(Painter $painter, iterable $figures, DateTimeImmutable $now): ?ScheduleRecord
    {
        $work = new Work([], []);
        $known = $ids = [];
        foreach ($figures as $figure) {
            $left = FigureWork::of($figure, $painter->drying_aid);
            if ($left !== null) {
                $work = $work->with($left->work);
                $known += $left->known;
                $ids[] = $figure->id;
            }
        }
        if ($work->steps === []) {
            $painter->schedule()->delete();

            return null;
        }
        $task = $work->over(BenchHours::of($painter)->sessions($now));
        $laid = BenchScheduler::lay($task);
        $schedule = $painter->schedule()->first() ?? new ScheduleRecord(['laid' => 0]);
        $schedule->painter_id = $painter->id;
        $before = $schedule->laid > 0 ? $schedule->sessions : [];
        $schedule->laid++;
        $schedule->sessions = self::sessions($task, $laid, $known);
        $schedule->moved = self::moved($before, $schedule->sessions, $now->getTimestamp());
        $schedule->chain = self::chain($task, $laid, $known);
        $schedule->finish = Carbon::createFromTimestamp((int) round($laid->finish * 60));
        $schedule->bound = Carbon::createFromTimestamp((int) round($laid->bound * 60));
        DB::transaction(static function () use ($schedule, $ids): void {
            $schedule->save();
            $schedule->figures()->sync($ids);
        });

        return $schedule->load('figures');
    }

    /**
     * @param  array<string, Known>  $known
     * @return list<LaidSession> those in which something is done
     */
    private static function sessions(ScheduleTask $task, Laid $laid, array $known): array
    {
        $pieces = SessionPieces::of($task, $laid);
        $sessions = [];
        foreach ($task->sessions as [$start, $end]) {
            $steps = [];
            foreach ($pieces as [$place, $from, $to]) {
                if ($from >= $start - 1e-6 && $to <= $end + 1e-6) {
                    $steps[] = ['id' => $task->ids[$place], ...$known[$task->ids[$place]], 'start' => self::seconds($from), 'end' => self::seconds($to)];
                }
            }
            usort($steps, static fn (array $p, array $q): int => [$p['start'], $p['end']] <=> [$q['start'], $q['end']]);
            if ($steps !== []) {
                $sessions[] = ['start' => self::seconds($start), 'end' => self::seconds($end), 'steps' => $steps];
            }
        }

        return $sessions;
    }

    /**
     * Steps that were planned for another session before.
     *
     * @param  list<LaidSession>  $before
     * @param  list<LaidSession>  $after
     * @return list<LaidMove>
     */
    private static function moved(array $before, array $after, int $now): array
    {
        $was = $moved = [];
        foreach ($before as $session) {
            foreach ($session['steps'] as $step) {
                $was[$step['id']] ??= $session;
            }
        }
        foreach ($after as $session) {
            foreach ($session['steps'] as $step) {
                $old = $was[$step['id']] ?? null;
                if ($old !== null && $old['start'] !== $session['start'] && $session['start'] > $old['end'] && ! isset($moved[$step['id']])) {
                    $moved[$step['id']] = [
                        'what' => trim("{$step['what']}, {$step['where']}", ', '),
                        'figure' => $step['figure'],
                        'from' => $old['start'],
                        'to' => $session['start'],
                        'why' => $old['end'] <= $now ? 'it was not done in its session' : 'it follows what was not done, or its session is full',
                    ];
                }
            }
        }

        return array_values($moved);
    }

    /**
     * @param  array<string, Known>  $known
     * @return list<LaidHold>
     */
    private static function chain(ScheduleTask $task, Laid $laid, array $known): array
    {
        return array_map(static function (array $link) use ($task, $known): array {
            $step = $known[$task->ids[$link[0]]];

            return ['what' => "{$step['what']}, {$step['where']}", 'figure' => $step['figure'], 'hold' => $link[1]->value];
        }, CriticalChain::of($task, $laid));
    }

    private static function seconds(float $minutes): int
    {
        return (int) round($minutes * 60);
    }
}

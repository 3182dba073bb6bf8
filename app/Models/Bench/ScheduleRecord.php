<?php

declare(strict_types=1);

namespace App\Models\Bench;

use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * The painter's evenings as they were last laid.
 *
 * @phpstan-type LaidStep array{id: string, figureId: int, figure: string, runStepId: int|null, what: string, where: string, start: int, end: int}
 * @phpstan-type LaidSession array{start: int, end: int, steps: list<LaidStep>}
 * @phpstan-type LaidHold array{what: string, figure: string, hold: string}
 *
 * @property int $id
 * @property int $painter_id
 * @property int $laid how many times
 * @property list<int> $figure_ids
 * @property list<LaidSession> $sessions times in seconds since 1970
 * @property list<LaidHold> $chain what decides the date, first step first
 * @property Carbon $finish
 * @property Carbon $bound
 * @property Carbon $updated_at
 */
final class ScheduleRecord extends Model
{
    use OwnedByPainter;

    protected $table = 'schedules';

    protected $guarded = ['id', 'painter_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['figure_ids' => 'array', 'sessions' => 'array', 'chain' => 'array', 'finish' => 'datetime', 'bound' => 'datetime'];
    }
}

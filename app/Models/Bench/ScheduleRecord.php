<?php

declare(strict_types=1);

namespace App\Models\Bench;

use App\Models\Brief\Figure;
use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Support\Carbon;

/**
 * The painter's sessions as last planned.
 *
 * @phpstan-type LaidStep array{id: string, figureId: int, figure: string, runStepId: int|null, what: string, where: string, hex?: string|null, start: int, end: int}
 * @phpstan-type LaidSession array{start: int, end: int, steps: list<LaidStep>}
 * @phpstan-type LaidMove array{what: string, figure: string, from: int, to: int, why: string}
 * @phpstan-type LaidHold array{what: string, figure: string, hold: string}
 *
 * @property int $id
 * @property int $painter_id
 * @property int $laid how many times
 * @property Collection<int, Figure> $figures
 * @property list<LaidSession> $sessions times in seconds since 1970
 * @property list<LaidHold> $chain what decides the date, first step first
 * @property list<LaidMove>|null $moved since it was planned before; times in seconds since 1970
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
        return ['sessions' => 'array', 'chain' => 'array', 'moved' => 'array', 'finish' => 'datetime', 'bound' => 'datetime'];
    }

    /** @return BelongsToMany<Figure, $this> */
    public function figures(): BelongsToMany
    {
        return $this->belongsToMany(Figure::class, 'schedule_figures', 'schedule_id');
    }

    /** @return list<int> */
    public function figureIds(): array
    {
        return array_values($this->figures->map(static fn (Figure $f): int => $f->id)->all());
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Brief\Figure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\UniqueConstraintViolationException;

/**
 * Work in the queue that a page would have to wait for.
 *
 * @property int $id
 * @property int $painter_id
 * @property int|null $figure_id
 * @property TaskKind $kind
 * @property TaskState $state
 * @property float $progress 0..1
 * @property bool $stop_asked
 * @property string|null $problem why it failed
 * @property array<string, mixed>|null $input what was asked
 * @property array<string, mixed>|null $result of a search
 * @property-read Figure|null $figure
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class Task extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['state' => TaskState::Waiting, 'progress' => 0.0, 'stop_asked' => false, 'problem' => null, 'input' => null, 'result' => null];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => TaskKind::class, 'state' => TaskState::class, 'progress' => 'float', 'stop_asked' => 'boolean', 'input' => 'array', 'result' => 'array'];
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /**
     * @param  array<string, mixed>|null  $input
     *
     * @throws UniqueConstraintViolationException when it would change a figure that another task is changing
     */
    public static function ask(TaskKind $kind, int $painterId, ?int $figureId = null, ?array $input = null): self
    {
        $task = new self(['kind' => $kind, 'figure_id' => $figureId, 'input' => $input]);
        $task->painter_id = $painterId;
        $task->save();

        return $task;
    }

    /** @return self|null what is changing a figure, or waits for its turn */
    public static function ofFigure(Figure $figure): ?self
    {
        return self::query()->where('figure_id', $figure->id)->whereIn('kind', TaskKind::thatChangeFigure())->whereIn('state', TaskState::OPEN)->first();
    }

    /** @return array<string, mixed> settings of a kind that are not set yet, as what follows from them is being calculated */
    public static function pending(Figure $figure, TaskKind $kind): array
    {
        $open = self::ofFigure($figure);

        return $open?->kind === $kind ? $open->input ?? [] : [];
    }

    public function isOpen(): bool
    {
        return in_array($this->state, TaskState::OPEN, true);
    }

    /** A task that waits is stopped at once. One at work stops at its next part, if it has one left. */
    public function stop(): void
    {
        self::query()->whereKey($this->id)->whereIn('state', [TaskState::Waiting, TaskState::Asks])->update(['state' => TaskState::Stopped, 'problem' => null]);
        $this->refresh()->update(['stop_asked' => true]);
    }

    /** @param  string  $problem  why, and what to do, in words for the painter */
    public function fail(string $problem): void
    {
        $this->update(['state' => TaskState::Failed, 'problem' => $problem]);
    }
}

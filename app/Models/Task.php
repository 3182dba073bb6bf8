<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Brief\Figure;
use Illuminate\Database\Eloquent\Model;

/**
 * Work on a figure that a page would have to wait for: one at a time, in the queue.
 *
 * @property int $id
 * @property int $painter_id
 * @property int $figure_id
 * @property TaskKind $kind
 * @property TaskState $state
 * @property float $progress 0..1
 * @property bool $stop_asked
 * @property string|null $problem why it failed
 * @property array<string, mixed>|null $input settings that are set once it is done
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class Task extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['state' => TaskState::Waiting, 'progress' => 0.0, 'stop_asked' => false, 'problem' => null, 'input' => null];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => TaskKind::class, 'state' => TaskState::class, 'progress' => 'float', 'stop_asked' => 'boolean', 'input' => 'array'];
    }

    /** @return self|null what is worked at for a figure, or waits for its turn */
    public static function ofFigure(Figure $figure): ?self
    {
        return self::query()->where('figure_id', $figure->id)->whereIn('state', [TaskState::Waiting, TaskState::Running])->first();
    }

    /** @return array<string, mixed> settings of a kind that are not set yet, as what follows from them is being calculated */
    public static function pending(Figure $figure, TaskKind $kind): array
    {
        $open = self::ofFigure($figure);

        return $open?->kind === $kind ? $open->input ?? [] : [];
    }

    public function isOpen(): bool
    {
        return $this->state === TaskState::Waiting || $this->state === TaskState::Running;
    }
}

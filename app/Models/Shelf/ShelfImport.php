<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Models\OwnedByPainter;
use App\Models\Task;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A file of pots on its way to the shelf, or there.
 *
 * @property int $id
 * @property int $painter_id
 * @property string $file_name
 * @property string $text
 * @property int|null $task_id that reads it; null for one of long ago
 * @property Carbon|null $undone_at
 * @property-read int|null $paints_count pots it brought
 */
final class ShelfImport extends Model
{
    use OwnedByPainter;

    /** Name of the file that stands for the demo's shelf, lent to painters without a shelf. */
    public const BORROWED = 'the shelf of the demo';

    protected $guarded = ['id', 'painter_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['undone_at' => 'datetime'];
    }

    /** @return BelongsTo<Task, $this> */
    public function task(): BelongsTo
    {
        return $this->belongsTo(Task::class);
    }

    /** @return HasMany<Paint, $this> */
    public function paints(): HasMany
    {
        return $this->hasMany(Paint::class);
    }
}

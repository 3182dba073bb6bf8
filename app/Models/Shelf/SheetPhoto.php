<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Models\Task;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A photo of a painted sheet, on its way to be read, or read.
 *
 * @property int $id
 * @property int $sheet_id
 * @property string|null $path of the photo as it came; null for one that the simulated camera has yet to take
 * @property int|null $task_id that reads it; null for one of long ago
 * @property array<string, mixed>|null $result what was read; null until then
 * @property array<mixed>|null $fits what it makes of the pots, by field, together with the photos before it
 * @property Carbon|null $kept_at
 * @property Carbon $created_at
 * @property-read SwatchSheet $sheet
 * @property-read Task|null $task
 */
final class SheetPhoto extends Model
{
    protected $guarded = ['id', 'sheet_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['result' => 'array', 'fits' => 'array', 'kept_at' => 'datetime'];
    }

    /** @return BelongsTo<SwatchSheet, $this> */
    public function sheet(): BelongsTo
    {
        return $this->belongsTo(SwatchSheet::class, 'sheet_id');
    }

    /** @return BelongsTo<Task, $this> */
    public function task(): BelongsTo
    {
        return $this->belongsTo(Task::class);
    }

    /** @return string where the flattened sheet is, as it was photographed */
    public function flatPath(): string
    {
        return "{$this->path}.flat.jpg";
    }
}

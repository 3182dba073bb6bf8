<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\TaskProps;
use App\Models\Shelf\SheetPhoto;

/**
 * A photo of a swatch sheet.
 */
final readonly class SheetPhotoProps
{
    /**
     * @param  TaskProps|null  $task  that reads it; null for one of long ago
     * @param  string  $addedAt  ISO 8601
     */
    public function __construct(public int $id, public bool $isRead, public ?TaskProps $task, public string $addedAt, public ?string $keptAt)
    {
    }

    public static function of(SheetPhoto $photo): self
    {
        $task = $photo->loadMissing('task')->task;

        return new self($photo->id, $photo->result !== null, $task === null ? null : TaskProps::of($task), $photo->created_at->toIso8601String(), $photo->kept_at?->toIso8601String());
    }
}

<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Model;

/**
 * A file of pots on its way to the shelf, or there.
 *
 * @property int $id
 * @property int $painter_id
 * @property string $file_name
 * @property string $text
 * @property string $state waiting, running, done, failed, undone
 * @property float $progress
 * @property list<int>|null $paint_ids
 * @property string|null $problem
 */
final class ShelfImport extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['state' => 'waiting', 'progress' => 0.0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['paint_ids' => 'array', 'progress' => 'float'];
    }
}

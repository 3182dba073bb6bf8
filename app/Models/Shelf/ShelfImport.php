<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A file of pots on its way to the shelf, or there.
 *
 * @property int $id
 * @property int $painter_id
 * @property string $file_name
 * @property string $text
 * @property string $state waiting, running, done, failed, undone
 * @property float $progress
 * @property-read int|null $paints_count pots it brought
 * @property string|null $problem
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class ShelfImport extends Model
{
    use OwnedByPainter;

    /** Name of the file that stands for the demo's shelf, lent to painters without a shelf. */
    public const BORROWED = 'the shelf of the demo';

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['state' => 'waiting', 'progress' => 0.0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['progress' => 'float'];
    }

    /** @return HasMany<Paint, $this> */
    public function paints(): HasMany
    {
        return $this->hasMany(Paint::class);
    }
}

<?php

declare(strict_types=1);

namespace App\Models\Bench;

use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A moment the painter waits for.
 *
 * @property int $id
 * @property int $painter_id
 * @property int|null $run_id
 * @property string $key chosen by the browser
 * @property string $what
 * @property Carbon $ends_at
 * @property Carbon|null $stopped_at
 */
final class Timer extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['ends_at' => 'datetime', 'stopped_at' => 'datetime'];
    }
}

<?php

declare(strict_types=1);

namespace App\Models\Order;

use Illuminate\Database\Eloquent\Model;

/**
 * A painter's own rule of order: a row of data like any other.
 *
 * @property int $id
 * @property int $figure_id
 * @property string $before
 * @property string $after
 * @property float|null $weight minutes; null for a hard rule
 * @property string $reason
 */
final class OwnRule extends Model
{
    protected $guarded = ['id', 'figure_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['weight' => 'float'];
    }
}

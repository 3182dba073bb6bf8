<?php

declare(strict_types=1);

namespace App\Models\Brief;

use Hyalin\Finish\BalanceKind;
use Illuminate\Database\Eloquent\Model;

/**
 * A preference about how areas of a figure stand to each other.
 *
 * @property int $id
 * @property int $figure_id
 * @property BalanceKind $kind
 * @property int $area_id
 * @property int|null $other_id
 * @property float $limit CIEDE2000 or L*
 */
final class BalanceRecord extends Model
{
    protected $table = 'balances';

    protected $guarded = ['id', 'figure_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => BalanceKind::class, 'limit' => 'float'];
    }
}

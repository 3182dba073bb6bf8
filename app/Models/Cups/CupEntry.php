<?php

declare(strict_types=1);

namespace App\Models\Cups;

use App\Models\Shelf\Paint;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One thing done to a cup.
 *
 * @property int $id
 * @property int $cup_id
 * @property string $key chosen by the browser
 * @property CupAct $act
 * @property int|null $paint_id
 * @property float $millilitres
 * @property Carbon|null $undone_at
 * @property Carbon $created_at
 * @property Paint|null $paint
 */
final class CupEntry extends Model
{
    protected $guarded = ['id', 'cup_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['act' => CupAct::class, 'millilitres' => 'float', 'undone_at' => 'datetime'];
    }

    /** @return BelongsTo<Paint, $this> a pot taken off the shelf stays in the cup */
    public function paint(): BelongsTo
    {
        return $this->belongsTo(Paint::class)->withTrashed();
    }
}

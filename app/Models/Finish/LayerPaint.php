<?php

declare(strict_types=1);

namespace App\Models\Finish;

use App\Models\Shelf\Paint;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Drops of one pot in the mix of a layer.
 *
 * @property int $id
 * @property int $layer_id
 * @property int $paint_id
 * @property int $drops
 * @property int $position
 * @property Paint $paint
 */
final class LayerPaint extends Model
{
    public $timestamps = false;

    protected $guarded = ['id', 'layer_id'];

    /** @return BelongsTo<Paint, $this> */
    public function paint(): BelongsTo
    {
        return $this->belongsTo(Paint::class)->withTrashed();
    }
}

<?php

declare(strict_types=1);

namespace App\Models\Bench;

use App\Models\Brief\Area;
use Hyalin\Colour\Lab;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The colour of one area of one finished figure of a batch: its middle tone.
 *
 * @property int $id
 * @property int $run_id
 * @property int $area_id
 * @property int $copy 1 and up
 * @property float $lightness
 * @property float $a
 * @property float $b
 * @property string $method reader or typed
 * @property Area $area
 */
final class PieceReading extends Model
{
    protected $guarded = ['id', 'run_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['lightness' => 'float', 'a' => 'float', 'b' => 'float'];
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    public function lab(): Lab
    {
        return Lab::of($this->lightness, $this->a, $this->b);
    }
}

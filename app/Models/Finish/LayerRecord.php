<?php

declare(strict_types=1);

namespace App\Models\Finish;

use App\Casts\Zones;
use App\Models\Brief\Area;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int $area_id
 * @property string $key
 * @property int $position
 * @property Technique $technique
 * @property list<Zone> $zones
 * @property float $thinner
 * @property int $coats
 * @property string|null $note
 */
final class LayerRecord extends Model
{
    protected $table = 'layers';

    protected $guarded = ['id', 'area_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['technique' => Technique::class, 'zones' => Zones::class, 'thinner' => 'float'];
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return HasMany<LayerPaint, $this> */
    public function paints(): HasMany
    {
        return $this->hasMany(LayerPaint::class, 'layer_id')->orderBy('position');
    }
}

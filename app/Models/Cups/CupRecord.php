<?php

declare(strict_types=1);

namespace App\Models\Cups;

use App\Models\Bench\RunStep;
use App\Models\Brief\Area;
use App\Models\OwnedByPainter;
use Hyalin\Colour\Lab;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A mix in progress, as the list of what was done to it.
 *
 * @property int $id
 * @property int $painter_id
 * @property int|null $area_id
 * @property int|null $run_step_id the step it was mixed for
 * @property RunStep|null $runStep
 * @property string $name
 * @property float|null $target_l
 * @property float|null $target_a
 * @property float|null $target_b
 * @property int $pot_life_minutes
 * @property Carbon|null $emptied_at
 * @property Carbon $created_at
 */
final class CupRecord extends Model
{
    use OwnedByPainter;

    protected $table = 'cups';

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['pot_life_minutes' => 240];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['target_l' => 'float', 'target_a' => 'float', 'target_b' => 'float', 'emptied_at' => 'datetime'];
    }

    /** @return HasMany<CupEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(CupEntry::class, 'cup_id')->orderBy('id');
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return BelongsTo<RunStep, $this> the step it was mixed for */
    public function runStep(): BelongsTo
    {
        return $this->belongsTo(RunStep::class);
    }

    public function target(): ?Lab
    {
        return $this->target_l === null || $this->target_a === null || $this->target_b === null
            ? null
            : Lab::of($this->target_l, $this->target_a, $this->target_b);
    }
}

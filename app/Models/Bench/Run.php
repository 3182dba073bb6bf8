<?php

declare(strict_types=1);

namespace App\Models\Bench;

use App\Models\Brief\Figure;
use App\Models\OwnedByPainter;
use App\Models\Shelf\Paint;
use Hyalin\Bench\BatchMode;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * One actual painting of a figure.
 *
 * @property int $id
 * @property int $painter_id
 * @property int $figure_id
 * @property int|null $repeats_id
 * @property int $number
 * @property int $copies
 * @property BatchMode $batch_mode
 * @property bool $needs_mask_check begun by a version that stored wrong minutes of masks, and not looked at since
 * @property Carbon|null $finished_at
 * @property Carbon $created_at
 * @property Figure $figure
 * @property-read int|null $open_count
 */
final class Run extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['copies' => 1, 'batch_mode' => 'step by step', 'needs_mask_check' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['finished_at' => 'datetime', 'batch_mode' => BatchMode::class, 'needs_mask_check' => 'boolean'];
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /** @return BelongsTo<Run, $this> */
    public function repeats(): BelongsTo
    {
        return $this->belongsTo(self::class, 'repeats_id');
    }

    /** @return HasMany<RunStep, $this> */
    public function steps(): HasMany
    {
        return $this->hasMany(RunStep::class)->orderBy('position')->chaperone('run');
    }

    /** @return HasMany<PieceReading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(PieceReading::class);
    }

    /** @return Collection<int, Paint> that its steps name, also those no longer on the shelf; read once */
    public function pots(): Collection
    {
        if (! $this->relationLoaded('pots')) {
            $ids = $this->steps->flatMap(static fn (RunStep $s): array => array_column([...$s->planned_mix, ...$s->used_mix ?? []], 'paintId'));
            $this->setRelation('pots', Paint::withTrashed()->whereKey($ids->unique())->get());
        }
        /** @var Collection<int, Paint> $pots */
        $pots = $this->getRelation('pots');

        return $pots;
    }
}

<?php

declare(strict_types=1);

namespace App\Models\References;

use App\Models\Brief\Figure;
use App\Models\Compare\Finding;
use App\Models\Light\LightRecord;
use Hyalin\Matching\Neutral\Shading;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A reference or a photo of the painted piece, re-encoded when it came in: no metadata, upright, PNG.
 *
 * @phpstan-import-type Camera from LightRecord
 *
 * @phpstan-type Neutral array{method: string, points: list<array{float, float}>, reflectance: float|null, others?: list<list<array{float, float}>>}
 *
 * @property int $id
 * @property int $figure_id
 * @property int|null $run_step_id the step it was taken at
 * @property string $title
 * @property string $path
 * @property int $width
 * @property int $height
 * @property PictureKind $kind
 * @property Shading|null $shading null until the painter was asked
 * @property array{float, float, float, float}|null $crop left, top, width, height, 0..1
 * @property Neutral|null $neutral what it was neutralised on
 * @property bool $block_grid
 * @property list<string>|null $remarks
 * @property Camera|null $camera from where the mesh looks as this photo does
 */
final class Picture extends Model
{
    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['kind' => 'artwork', 'block_grid' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => PictureKind::class, 'shading' => Shading::class, 'crop' => 'array', 'neutral' => 'array',
            'block_grid' => 'boolean', 'remarks' => 'array', 'camera' => 'array',
        ];
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /** @return HasMany<Sample, $this> */
    public function samples(): HasMany
    {
        return $this->hasMany(Sample::class);
    }

    /** @return HasMany<Finding, $this> */
    public function findings(): HasMany
    {
        return $this->hasMany(Finding::class);
    }
}

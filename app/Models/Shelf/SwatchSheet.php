<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Models\OwnedByPainter;
use Hyalin\Sheet\SheetLayout;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A sheet that was printed to be painted and photographed. Its number is in its marks.
 *
 * @property int $id
 * @property int $painter_id
 * @property int|null $white_id the white that tints are mixed with
 * @property string $paper a4 or letter
 * @property float $grey reflectance of the grey card
 * @property Carbon $created_at
 * @property-read Paint|null $white
 */
final class SwatchSheet extends Model
{
    use OwnedByPainter;

    public const PAPERS = ['a4', 'letter'];

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['paper' => 'a4', 'grey' => 0.18];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['grey' => 'float'];
    }

    /** @return BelongsTo<Paint, $this> */
    public function white(): BelongsTo
    {
        return $this->belongsTo(Paint::class, 'white_id')->withTrashed();
    }

    /** @return HasMany<SwatchField, $this> */
    public function fields(): HasMany
    {
        return $this->hasMany(SwatchField::class, 'sheet_id')->orderBy('position');
    }

    /** @return HasMany<SheetPhoto, $this> */
    public function photos(): HasMany
    {
        return $this->hasMany(SheetPhoto::class, 'sheet_id')->orderBy('id');
    }

    public function layout(): SheetLayout
    {
        return SheetLayout::of(1 + max([0, ...$this->fields->map(static fn (SwatchField $f): int => $f->position)->all()]));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Shelf\SheetPhoto;

/**
 * A photo of a swatch sheet.
 */
final readonly class SheetPhotoProps
{
    /**
     * @param  float  $progress  0..1
     * @param  string  $addedAt  ISO 8601
     */
    public function __construct(public int $id, public string $state, public float $progress, public ?string $problem, public string $addedAt, public ?string $keptAt)
    {
    }

    public static function of(SheetPhoto $photo): self
    {
        return new self($photo->id, $photo->state, $photo->progress, $photo->problem, $photo->created_at->toIso8601String(), $photo->kept_at?->toIso8601String());
    }
}

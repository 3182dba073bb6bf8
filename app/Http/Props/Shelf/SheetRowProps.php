<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Painter;
use App\Models\Shelf\SwatchSheet;

/**
 * A swatch sheet in the list of them.
 */
final readonly class SheetRowProps
{
    /** @param  string|null  $keptAt  moment of the last photo that was kept, ISO 8601 */
    public function __construct(public int $id, public string $createdAt, public int $fields, public int $photos, public ?string $keptAt)
    {
    }

    /** @return list<self> the newest first */
    public static function allOf(Painter $painter): array
    {
        $sheets = SwatchSheet::query()->where('painter_id', $painter->id)->withCount(['fields', 'photos'])->withMax('photos', 'kept_at')->orderByDesc('id')->get();
        $rows = [];
        foreach ($sheets as $sheet) {
            $kept = $sheet->getAttribute('photos_max_kept_at');
            $count = static fn (string $key): int => is_numeric($sheet->getAttribute($key)) ? (int) $sheet->getAttribute($key) : 0;
            $rows[] = new self($sheet->id, $sheet->created_at->toIso8601String(), $count('fields_count'), $count('photos_count'), is_string($kept) ? $kept : null);
        }

        return $rows;
    }
}

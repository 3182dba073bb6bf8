<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Shelf\ShelfImport;

final readonly class ShelfImportProps
{
    public function __construct(public int $id, public string $state, public float $progress, public int $pots, public ?string $problem)
    {
    }

    public static function of(ShelfImport $import): self
    {
        return new self($import->id, $import->state, $import->progress, $import->paints()->withTrashed()->count(), $import->problem);
    }
}

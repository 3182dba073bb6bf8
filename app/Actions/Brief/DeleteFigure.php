<?php

declare(strict_types=1);

namespace App\Actions\Brief;

use App\Adapters\StoredFile;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\References\Picture;

/**
 * Deletes a figure with all that belongs to it: its records at once, then their files. Pots, cups and what was learnt of
 * the painter stay.
 */
final class DeleteFigure
{
    public function __invoke(Figure $figure): void
    {
        $light = $figure->lightStudy()->first();
        $paths = [
            ...$figure->pictures()->get()->map(static fn (Picture $p): string => $p->path),
            ...$figure->meshes()->get()->flatMap(static fn (FigureMesh $m): array => array_filter([...$m->files(), $m->apart_path, $m->apart_whole_path], is_string(...)))->unique(),
            ...array_filter([$light?->path, $light?->still]),
        ];
        $figure->delete();
        foreach ($paths as $path) {
            StoredFile::forget($path);
        }
    }
}

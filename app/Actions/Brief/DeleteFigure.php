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
        $paths = self::files($figure);
        $figure->delete();
        foreach ($paths as $path) {
            StoredFile::forget($path);
        }
    }

    /** @return list<string> paths of its pictures, print files, lighting and stills */
    public static function files(Figure $figure): array
    {
        $light = $figure->lightStudy()->first();

        return [
            ...array_values($figure->pictures()->get()->map(static fn (Picture $p): string => $p->path)->all()),
            ...array_values($figure->meshes()->get()->flatMap(static fn (FigureMesh $m): array => array_filter([...$m->files(), $m->apart_path, $m->apart_whole_path], is_string(...)))->unique()->all()),
            ...array_filter([$light?->path, $light?->still], is_string(...)),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Actions\Brief\DeleteFigure;
use App\Adapters\StoredFile;
use App\Models\IncomingFile;
use App\Models\Painter;
use App\Models\Shelf\SheetPhoto;
use Illuminate\Database\Eloquent\Builder;

/**
 * A painter leaves, with figures, shelf and records, and the files of all of them.
 */
final readonly class DeleteAccount
{
    public function __construct(private DeleteFigure $deleteFigure)
    {
    }

    public function __invoke(Painter $painter): void
    {
        foreach ($painter->figures()->get() as $figure) {
            ($this->deleteFigure)($figure);
        }
        $photos = SheetPhoto::query()->whereHas('sheet', static fn (Builder $sheet) => $sheet->where('painter_id', $painter->id))->whereNotNull('path')->get();
        $incoming = IncomingFile::query()->where('painter_id', $painter->id)->get();
        $painter->delete();
        $incoming->each(static fn (IncomingFile $f) => StoredFile::forget($f->path));
        $photos->each(static fn (SheetPhoto $p) => StoredFile::forget((string) $p->path));
    }
}

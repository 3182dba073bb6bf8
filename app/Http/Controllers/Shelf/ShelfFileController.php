<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shelf;

use App\Actions\Shelf\ImportShelf;
use App\Adapters\Shelf\ShelfFile;
use App\Adapters\Shelf\ShelfFormats;
use App\Http\Props\Shelf\ShelfImportProps;
use App\Http\Props\Shelf\ShelfPreviewProps;
use App\Http\Requests\Shelf\ShelfFileRequest;
use App\Jobs\ImportShelfFile;
use App\Models\Painter;
use App\Models\Shelf\ShelfImport;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/**
 * The shelf as a file, out and in.
 */
final class ShelfFileController
{
    public function export(string $format, #[CurrentUser] Painter $painter): Response
    {
        $known = ShelfFormats::ending($format);
        abort_if($known === null, 404);

        return new Response($known->write($painter->paints()->get(), "Shelf of {$painter->name}"), 200, [
            'Content-Type' => $known->contentType(), 'Content-Disposition' => "attachment; filename=\"shelf.{$known->ending()}\"",
        ]);
    }

    public function preview(ShelfFileRequest $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $file = ShelfFile::read($request->text());

        return new JsonResponse(ShelfPreviewProps::of($file, ImportShelf::missing($painter, $file->pots)));
    }

    /** @throws ValidationException when the file has faults: nothing is taken in */
    public function store(ShelfFileRequest $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $faults = ShelfFile::read($request->text())->faults;
        if ($faults !== []) {
            $where = $faults[0]->line > 0 ? "Line {$faults[0]->line}, column {$faults[0]->column}: " : '';

            throw ValidationException::withMessages(['file' => $where.$faults[0]->message]);
        }

        return new JsonResponse(ShelfImportProps::of(ImportShelfFile::ask($painter, $request->fileName(), $request->text())), JsonResponse::HTTP_ACCEPTED);
    }

    public function show(ShelfImport $shelfImport): JsonResponse
    {
        return new JsonResponse(ShelfImportProps::of($shelfImport));
    }

    /** Takes the pots off the shelf again; a recipe that uses one by now keeps it. */
    public function destroy(ShelfImport $shelfImport): JsonResponse
    {
        $shelfImport->paints()->delete();
        $shelfImport->update(['undone_at' => now()]);

        return new JsonResponse(ShelfImportProps::of($shelfImport));
    }
}

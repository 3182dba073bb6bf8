<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shelf;

use App\Adapters\Shelf\ShelfFile;
use App\Http\Props\Shelf\ShelfImportProps;
use App\Http\Props\Shelf\ShelfPreviewProps;
use App\Http\Requests\Shelf\ShelfFileRequest;
use App\Jobs\ImportShelfFile;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Shelf\ShelfImport;
use Hyalin\Colour\Reflectance;
use Hyalin\Formats\Cgats;
use Hyalin\Formats\GimpPalette;
use Hyalin\Optics\FilmThickness;
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
        $paints = $painter->paints()->get();
        [$text, $type] = match ($format) {
            'csv' => [ShelfFile::toCsv($paints), 'text/csv; charset=utf-8'],
            'gpl' => [GimpPalette::write("Shelf of {$painter->name}", $paints->map(static fn (Paint $p): array => [$p->thick_hex, "{$p->maker} {$p->name}"])), 'text/plain; charset=utf-8'],
            default => [Cgats::write(self::spectra($paints), 'Each pot thick, one coat over black, one coat over white; without surface reflection'), 'text/plain; charset=utf-8'],
        };

        return new Response($text, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"shelf.{$format}\""]);
    }

    public function preview(ShelfFileRequest $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        return new JsonResponse(ShelfPreviewProps::of($painter, ShelfFile::read($request->text())));
    }

    /** @throws ValidationException when the file has faults: nothing is taken in */
    public function store(ShelfFileRequest $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $faults = ShelfFile::read($request->text())->faults;
        if ($faults !== []) {
            $where = $faults[0]->line > 0 ? "Line {$faults[0]->line}, column {$faults[0]->column}: " : '';

            throw ValidationException::withMessages(['file' => $where.$faults[0]->message]);
        }
        $import = new ShelfImport(['file_name' => $request->fileName(), 'text' => $request->text()]);
        $import->painter_id = $painter->id;
        $import->save();
        ImportShelfFile::dispatch($import);

        return new JsonResponse(ShelfImportProps::of($import->refresh()), JsonResponse::HTTP_ACCEPTED);
    }

    public function show(ShelfImport $shelfImport): JsonResponse
    {
        return new JsonResponse(ShelfImportProps::of($shelfImport));
    }

    /** Takes the pots off the shelf again; a recipe that uses one by now keeps it. */
    public function destroy(ShelfImport $shelfImport): JsonResponse
    {
        Paint::query()->where('painter_id', $shelfImport->painter_id)->whereIn('id', $shelfImport->paint_ids ?? [])->delete();
        $shelfImport->update(['state' => 'undone']);

        return new JsonResponse(ShelfImportProps::of($shelfImport));
    }

    /**
     * @param  iterable<Paint>  $paints
     * @return iterable<array{string, Reflectance}>
     */
    private static function spectra(iterable $paints): iterable
    {
        foreach ($paints as $paint) {
            $optics = $paint->optics();
            $name = "{$paint->maker} {$paint->name}";
            yield ["{$name} thick", $optics->masstone()];
            yield ["{$name} over black", $optics->filmOver(Reflectance::flat(0.0), FilmThickness::coats(1.0))];
            yield ["{$name} over white", $optics->filmOver(Reflectance::flat(1.0), FilmThickness::coats(1.0))];
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shelf;

use App\Actions\Shelf\KeepSheet;
use App\Actions\Shelf\ReadSheet;
use App\Adapters\References\UnreadablePicture;
use App\Adapters\Shelf\PrintedLayout;
use App\Adapters\StoredFile;
use App\Http\Pdf\SheetPdf;
use App\Http\Props\PotProps;
use App\Http\Props\Shelf\SheetFieldProps;
use App\Http\Props\Shelf\SheetPhotoProps;
use App\Http\Props\Shelf\SheetPotProps;
use App\Http\Props\Shelf\SheetReviewProps;
use App\Http\Props\Shelf\SheetRowProps;
use App\Http\Requests\ArrivedPicture;
use App\Http\Requests\Shelf\SheetRequest;
use App\Jobs\ReadSheetPhoto;
use App\Models\Painter;
use App\Models\Shelf\SheetPhoto;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Finish\Technique;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as PlainResponse;

/**
 * Swatch sheets: printing them, reading photos of them, keeping what they say.
 */
final class SheetController
{
    public function index(#[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('sheets/index', [
            'sheets' => static fn () => SheetRowProps::allOf($painter),
            'pots' => static fn () => SheetPotProps::allOf($painter),
            // What leaves nothing on a flat strip cannot be read there.
            'techniques' => array_values(array_filter(Technique::cases(), static fn (Technique $t): bool => $t->showsOnFlat())),
        ]);
    }

    /** @throws ValidationException when a pot is not the painter's */
    public function store(SheetRequest $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $fields = $request->fields();
        $own = $painter->paints()->pluck('id')->all();
        if (array_filter($fields, static fn (array $f): bool => ! in_array($f['paint_id'], $own, true)) !== []) {
            throw ValidationException::withMessages(['fields' => 'One of these pots is not on your shelf.']);
        }
        $white = $request->integer('whiteId');
        if ($white !== 0 && ! in_array($white, $own, true)) {
            throw ValidationException::withMessages(['whiteId' => 'This white is not on your shelf.']);
        }
        $sheet = DB::transaction(static function () use ($request, $painter, $fields, $white): SwatchSheet {
            $sheet = new SwatchSheet(['paper' => $request->string('paper')->value(), 'grey' => $request->float('grey', 0.18), 'white_id' => $white === 0 ? null : $white]);
            $sheet->painter_id = $painter->id;
            $sheet->save();
            $sheet->fields()->createMany($fields);

            return $sheet;
        });

        return new JsonResponse(['id' => $sheet->id], JsonResponse::HTTP_CREATED);
    }

    public function show(Request $request, SwatchSheet $sheet): Response
    {
        $sheet->load(['fields.paint', 'white', 'photos.task']);
        $asked = $request->integer('photo');
        $photo = $asked === 0 ? $sheet->photos->whereNotNull('result')->last() : $sheet->photos->find($asked);

        return Inertia::render('sheets/show', [
            'sheet' => ['id' => $sheet->id, 'paper' => $sheet->paper, 'grey' => $sheet->grey, 'createdAt' => $sheet->created_at->toIso8601String()],
            'white' => static fn () => $sheet->white === null ? null : PotProps::of($sheet->white),
            'fields' => static fn () => SheetFieldProps::allOf($sheet),
            'photos' => static fn () => array_values($sheet->photos->map(SheetPhotoProps::of(...))->all()),
            'review' => static fn () => $photo === null ? null : SheetReviewProps::of($sheet, $photo, ReadSheet::before($photo)),
        ]);
    }

    public function update(Request $request, SwatchSheet $sheet): JsonResponse
    {
        $request->validate(['grey' => ['required', 'numeric', 'between:0.02,1']]);
        $sheet->update(['grey' => $request->float('grey')]);

        return new JsonResponse(['message' => 'Saved. It counts for photos added from now on.']);
    }

    public function destroy(SwatchSheet $sheet): RedirectResponse
    {
        $photos = $sheet->photos;
        $sheet->delete();
        $photos->each(self::forgetFiles(...));

        return redirect()->route('sheets');
    }

    public function print(SwatchSheet $sheet, SheetPdf $pdf): PlainResponse
    {
        return new PlainResponse($pdf->of($sheet->load(['fields.paint', 'white'])), 200, [
            'Content-Type' => 'application/pdf', 'Content-Disposition' => "inline; filename=\"swatch-sheet-{$sheet->id}.pdf\"",
        ]);
    }

    /** Its layout, for the command line. */
    public function layout(SwatchSheet $sheet): JsonResponse
    {
        return new JsonResponse(PrintedLayout::document($sheet->load('fields')), 200, ['Content-Disposition' => "attachment; filename=\"swatch-sheet-{$sheet->id}.json\""]);
    }

    /**
     * A photo of the sheet, read in the queue.
     *
     * @throws ValidationException when the file is no picture, too large or damaged; nothing is added then
     */
    public function photo(Request $request, SwatchSheet $sheet): JsonResponse
    {
        try {
            $bytes = ArrivedPicture::looked($request, 'photo');
        } catch (UnreadablePicture $e) {
            throw ValidationException::withMessages(['photo' => $e->getMessage()]);
        }
        $path = 'pictures/'.Str::ulid()->toBase32().'.photo';
        StoredFile::put($path, $bytes);

        return self::reading($sheet, $path);
    }

    /** A photo by the camera that stands before the sheet. */
    public function simulated(SwatchSheet $sheet): JsonResponse
    {
        return self::reading($sheet, null);
    }

    /** The flattened sheet as it was photographed. */
    public function flat(SwatchSheet $sheet, SheetPhoto $photo): PlainResponse
    {
        $bytes = $photo->path === null ? null : Storage::disk('local')->get($photo->flatPath());
        abort_if($bytes === null, 404);

        return new PlainResponse($bytes, 200, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    public function forget(SwatchSheet $sheet, SheetPhoto $photo): JsonResponse
    {
        $photo->delete();
        self::forgetFiles($photo);

        return new JsonResponse(['message' => 'The photo was deleted. What was kept of it stays with the pots.']);
    }

    /** @throws ValidationException when none of the chosen fields can be kept */
    public function keep(Request $request, SwatchSheet $sheet, SheetPhoto $photo, KeepSheet $keep, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['positions' => ['required', 'array', 'list', 'max:24'], 'positions.*' => ['integer', 'between:0,23']]);
        [$kept, $untold] = $keep($photo, array_values(array_map(static fn (mixed $p): int => is_numeric($p) ? (int) $p : -1, $request->array('positions'))), $painter);
        if ($kept === 0) {
            throw ValidationException::withMessages(['positions' => 'Nothing of these fields can be used. The pots are as they were.']);
        }

        $more = $untold === [] ? '' : ' The strip of your '.implode(' and ', $untold).' tells nothing yet: its paint is too near the colour of the card, or too opaque. Paint another pot.';

        return new JsonResponse(['message' => ($kept === 1 ? '1 field is used now.' : "{$kept} fields are used now.").$more]);
    }

    private static function forgetFiles(SheetPhoto $photo): void
    {
        if ($photo->path !== null) {
            StoredFile::forget($photo->path);
        }
    }

    private static function reading(SwatchSheet $sheet, ?string $path): JsonResponse
    {
        return new JsonResponse(SheetPhotoProps::of(ReadSheetPhoto::ask($sheet, $path)), JsonResponse::HTTP_ACCEPTED);
    }
}

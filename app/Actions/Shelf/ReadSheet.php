<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Adapters\References\UnreadablePicture;
use App\Adapters\Shelf\FieldFit;
use App\Adapters\Shelf\SheetColours;
use App\Adapters\Shelf\SheetPhotoFile;
use App\Adapters\StoredFile;
use App\Devices\SheetCamera;
use App\Models\Shelf\SheetPhoto;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;
use Hyalin\InvalidInput;
use Hyalin\Progress;
use Hyalin\Sheet\InvalidSheet;
use Hyalin\Sheet\SheetReading;
use Hyalin\Sheet\SheetSearch;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/**
 * Reads a photo of a painted sheet, and says what it makes of the pots, together with the photos taken about the same time.
 * Nothing of a pot is changed.
 */
final readonly class ReadSheet
{
    /** Photos of one sheet within so many days are of the same paint; later ones show how it has changed. */
    public const SAME_DAYS = 3;

    public function __construct(private SheetCamera $camera, private FitSheet $fit)
    {
    }

    /**
     * @throws InvalidInput when no sheet can be read from it, saying why
     * @throws UnreadablePicture when it is no picture
     */
    public function __invoke(SheetPhoto $photo, Progress $progress): void
    {
        $sheet = $photo->sheet->load(['fields.paint', 'white', 'painter']);
        $path = $photo->path ?? $this->taken($photo, $sheet);
        $progress->at(0.1);
        $image = SheetPhotoFile::decode((string) Storage::disk('local')->get($path));
        [$picture, $small] = SheetPhotoFile::photos($image);
        unset($image);
        $progress->at(0.3);
        $found = SheetSearch::in($picture, $small);
        if ($found->number !== $sheet->id) {
            throw InvalidSheet::another($found->number, $sheet->id, SwatchSheet::query()->where('painter_id', $sheet->painter_id)->whereKey($found->number)->exists());
        }
        $asked = $sheet->fields->mapWithKeys(static fn (SwatchField $f): array => [$f->position => $f->places($sheet->white_id)])->all();
        $reading = SheetReading::of($picture, $found, $sheet->layout(), $asked, $sheet->grey, static function (float $share) use ($progress): void {
            $progress->at(0.4 + 0.2 * $share);
        });
        StoredFile::put($photo->flatPath(), SheetPhotoFile::flat($reading));
        $colours = SheetColours::of($reading);
        unset($picture, $small, $reading);
        $fits = ($this->fit)($sheet, SheetColours::together([...self::before($photo), $colours]), $sheet->painter()->firstOrFail(), static function (float $share) use ($progress): void {
            $progress->at(0.65 + 0.35 * $share);
        });
        $photo->update(['result' => $colours->toArray(), 'fits' => array_map(static fn (FieldFit $f): array => $f->toArray(), $fits)]);
    }

    /** @return list<SheetColours> of the photos that count together with this one, oldest first */
    public static function before(SheetPhoto $photo): array
    {
        $others = SheetPhoto::query()->where('sheet_id', $photo->sheet_id)->where('id', '<', $photo->id)->whereNotNull('result')
            ->where('created_at', '>=', $photo->created_at->subDays(self::SAME_DAYS))->orderBy('id')->get();

        return array_values($others->map(static fn (SheetPhoto $p): ?SheetColours => $p->result === null ? null : SheetColours::parse($p->result))->filter()->all());
    }

    /** A photo by the camera that stands before the sheet. */
    private function taken(SheetPhoto $photo, SwatchSheet $sheet): string
    {
        $path = 'pictures/'.Str::ulid()->toBase32().'.jpg';
        StoredFile::put($path, $this->camera->sheet($sheet, $photo->id));
        $photo->update(['path' => $path]);

        return $path;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Adapters\Shelf\FieldFit;
use App\Adapters\Shelf\SheetChange;
use App\Adapters\Shelf\SheetColours;
use App\Http\Props\ColourProps;
use App\Models\Shelf\SheetPhoto;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Sheet\Place;

/**
 * The reading of a photo of a sheet, to be reviewed before anything is kept.
 */
final readonly class SheetReviewProps
{
    /**
     * @param  bool  $isChart  read by a chart of 24 patches, or by one grey
     * @param  float  $half  CIEDE2000 that half of the colours stay within; an estimate
     * @param  float  $most  and nineteen of twenty
     * @param  int  $together  photos that count together
     * @param  ColourProps  $paper  of this sheet
     * @param  ColourProps  $black  as it was printed
     * @param  list<SheetFieldReadingProps>  $fields
     */
    public function __construct(
        public int $photoId,
        public bool $isChart,
        public float $half,
        public float $most,
        public int $marks,
        public int $together,
        public ColourProps $paper,
        public ColourProps $black,
        public array $fields,
    ) {
    }

    /** @param  list<SheetColours>  $before  photos that count together with it */
    public static function of(SwatchSheet $sheet, SheetPhoto $photo, array $before): ?self
    {
        if ($photo->result === null) {
            return null;
        }
        $colours = SheetColours::parse($photo->result);
        $change = SheetChange::since($photo, $colours);
        $layout = $sheet->layout();
        $fields = [];
        foreach ($sheet->fields as $field) {
            $stored = $photo->fits[$field->position] ?? null;
            $fit = is_array($stored) ? FieldFit::parse($stored) : FieldFit::unusable('Not in the picture.');
            $places = [];
            foreach (Place::cases() as $place) {
                $read = $colours->fields[$field->position][$place->value] ?? null;
                if ($read !== null) {
                    $places[] = SheetPlaceProps::of($place, $layout->place($field->position, $place), $read, $fit->residuals[$place->value] ?? null);
                }
            }
            $changed = $change?->of($field->position);
            $fields[] = new SheetFieldReadingProps(
                $field->position,
                $places,
                $fit->problem,
                remarks: $fit->remarks,
                quality: $fit->optics?->quality,
                moved: $fit->moved,
                sure: $fit->sure,
                before: $fit->before,
                changed: $changed,
            );
        }

        return new self(
            $photo->id,
            ($colours->about['isChart'] ?? 0.0) > 0,
            round($colours->about['half'] ?? 0.0, 1),
            most: round($colours->about['most'] ?? 0.0, 1),
            marks: (int) ($colours->about['marks'] ?? 0),
            together: count($before) + 1,
            paper: ColourProps::of($colours->paper),
            black: ColourProps::of($colours->black),
            fields: $fields,
        );
    }
}

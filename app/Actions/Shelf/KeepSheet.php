<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Adapters\Shelf\FieldFit;
use App\Adapters\Shelf\PlaceRemark;
use App\Adapters\Shelf\SheetColours;
use App\Models\Painter;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\Paint;
use App\Models\Shelf\SheetPhoto;
use App\Models\Shelf\SwatchField;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralRecovery;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Keeps what a photo of a sheet made of its pots, for the fields the painter accepts: all of them or none.
 *
 * @phpstan-import-type Place from SheetColours as PlaceColours
 */
final readonly class KeepSheet
{
    public function __construct(private FitHand $fitHand)
    {
    }

    /**
     * @param  list<int>  $positions  fields
     * @return array{int, list<string>} how many were kept - fields that nothing can be kept of are left out -, and techniques whose strips are kept and tell nothing yet
     */
    public function __invoke(SheetPhoto $photo, array $positions, Painter $painter): array
    {
        if ($photo->result === null) {
            return [0, []];
        }
        $sheet = $photo->sheet->load(['fields.paint', 'white']);
        $colours = SheetColours::together([...ReadSheet::before($photo), SheetColours::parse($photo->result)]);

        return DB::transaction(function () use ($photo, $positions, $painter, $sheet, $colours): array {
            $kept = 0;
            $techniques = [];
            foreach ($sheet->fields as $field) {
                $stored = $photo->fits[$field->position] ?? null;
                $fit = is_array($stored) && in_array($field->position, $positions, true) ? FieldFit::parse($stored) : null;
                if ($fit === null || $fit->problem !== null || $field->paint->trashed()) {
                    continue;
                }
                $technique = $field->technique;
                if ($technique !== null) {
                    $this->strip($field, $colours, $painter);
                    $techniques[$technique->value] = $technique;
                } else {
                    $this->pot($field->paint, $fit, $colours->fields[$field->position] ?? [], $colours, $sheet->white_id);
                }
                $kept++;
            }
            $untold = [];
            foreach ($techniques as $technique) {
                try {
                    ($this->fitHand)($painter, $technique);
                } catch (ValidationException) {
                    // The pots of the sheet are measured all the same.
                    $untold[] = $technique->value;
                }
            }
            if ($kept > 0) {
                $photo->update(['kept_at' => now()]);
            }

            return [$kept, $untold];
        });
    }

    /** @param  array<string, PlaceColours>  $places */
    private function pot(Paint $pot, FieldFit $fit, array $places, SheetColours $colours, ?int $whiteId): void
    {
        if ($fit->optics === null || $fit->spread === null) {
            return;
        }
        $pot->holdMeasured($fit->optics, $fit->spread);
        $pot->readings = [
            'source' => 'sheet',
            'whiteId' => $whiteId,
            'radius' => array_map(static fn (array $p): float => round($p['radius'], 2), $places),
            'values' => [
                'black' => self::spectrum($colours->black->toArray()),
                'white' => self::spectrum($colours->paper->toArray()),
                ...array_map(static fn (array $p): array => self::spectrum($p['lab']), $places),
            ],
        ];
        $pot->version++;
        $pot->save();
    }

    /** A half that was not painted teaches nothing, and what was used before is not used twice. */
    private function strip(SwatchField $field, SheetColours $colours, Painter $painter): void
    {
        $known = ChipRecord::query()->where('painter_id', $painter->id)->where('paint_id', $field->paint_id)->where('technique', $field->technique)->get();
        foreach (['overBlack' => $colours->black, 'overWhite' => $colours->paper] as $place => $card) {
            $read = $colours->fields[$field->position][$place] ?? null;
            if ($read === null || $read['background'] <= PlaceRemark::UNPAINTED) {
                continue;
            }
            $spectrum = self::spectrum($read['lab']);
            if ($known->contains(static fn (ChipRecord $c): bool => $c->read === $spectrum)) {
                continue;
            }
            $chip = new ChipRecord([
                'technique' => $field->technique,
                'paint_id' => $field->paint_id,
                'thinner' => $field->thinner,
                'coats' => $field->coats,
                'card' => max(0.0, min(1.0, $card->toXyz()->y / 100)),
                'read' => $spectrum,
            ]);
            $chip->painter_id = $painter->id;
            $chip->save();
        }
    }

    /**
     * @param  array{float, float, float}  $lab
     * @return list<float> a likely spectrum of a colour that was seen, under D65
     */
    private static function spectrum(array $lab): array
    {
        return array_map(static fn (float $v): float => round($v, 4), SpectralRecovery::within(Lab::of(...$lab))->values);
    }
}

<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\CommandLine\Document;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Sheet\InvalidSheet;
use Hyalin\Sheet\Place;
use Hyalin\Sheet\SheetLayout;

/**
 * The layout of a printed swatch sheet, as a document for the command line: see docs/formats.md.
 */
final readonly class PrintedLayout
{
    /**
     * @param  int  $sheet  its number; 0 for any
     * @param  list<int|string|null>  $pots  by position; null where none was printed
     * @param  array<int, list<Place>>  $asked  what was to be painted, by position
     */
    private function __construct(public int $sheet, public array $pots, public array $asked, public SheetLayout $layout)
    {
    }

    /** @return array{sheet: int, fields: list<array{pot: int, places: list<string>}|null>} */
    public static function document(SwatchSheet $sheet): array
    {
        $byPosition = $sheet->fields->keyBy('position');
        $fields = [];
        for ($position = 0, $left = $byPosition->count(); $left > 0; $position++) {
            $field = $byPosition->get($position);
            $fields[] = $field === null ? null : ['pot' => $field->paint_id, 'places' => self::values($field, $sheet)];
            $left -= $field === null ? 0 : 1;
        }

        return ['sheet' => $sheet->id, 'fields' => $fields];
    }

    /** @throws BadInput saying what is wrong and in which field */
    public static function parse(mixed $document): self
    {
        $layout = Document::of($document, 'the layout');
        $number = $layout->integer('sheet', 0);
        $pots = $asked = [];
        foreach ($layout->list('fields') as $position => $entry) {
            try {
                [$pots[], $places] = $entry === null ? [null, []] : self::field(Document::of($entry, 'a field'));
            } catch (BadInput $e) {
                throw $e->within('field '.($position + 1));
            }
            if ($places !== []) {
                $asked[$position] = $places;
            }
        }
        $layout->refuseUnknown();
        if ($asked === []) {
            throw BadInput::at('fields', 'has no pot: give at least one, as {"pot":1}');
        }
        try {
            return new self($number, $pots, $asked, SheetLayout::of(count($pots)));
        } catch (InvalidSheet $e) {
            throw BadInput::at('fields', $e->getMessage(), $e);
        }
    }

    /** @return array{int|string, list<Place>} */
    private static function field(Document $field): array
    {
        $pot = $field->value('pot');
        $places = array_map(
            static fn (mixed $place): Place => (is_string($place) ? Place::tryFrom($place) : null) ?? throw BadInput::at('places', 'known are '.implode(', ', array_column(Place::cases(), 'value'))),
            $field->has('places') ? $field->list('places') : array_column(Place::cases(), 'value'),
        );
        $field->refuseUnknown();

        return [is_int($pot) || is_string($pot) ? $pot : throw BadInput::at('pot', 'must be a whole number or text'), $places];
    }

    /** @return list<string> */
    private static function values(SwatchField $field, SwatchSheet $sheet): array
    {
        return array_map(static fn (Place $place): string => $place->value, $field->places($sheet->white_id));
    }
}

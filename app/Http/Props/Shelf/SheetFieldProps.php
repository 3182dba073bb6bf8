<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\PotProps;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;

/**
 * One field of a swatch sheet.
 */
final readonly class SheetFieldProps
{
    /**
     * @param  string  $code  as it is printed, like B3
     * @param  string|null  $strip  technique of a strip, with its coats; null for the swatches of a pot
     */
    public function __construct(public int $position, public string $code, public PotProps $pot, public ?string $strip)
    {
    }

    /** @return list<self> */
    public static function allOf(SwatchSheet $sheet): array
    {
        $layout = $sheet->layout();

        return array_values($sheet->fields->map(static fn (SwatchField $f): self => new self(
            $f->position,
            $layout->code($f->position),
            PotProps::of($f->paint),
            $f->technique === null ? null : $f->technique->value.($f->coats === 1 ? '' : ", {$f->coats} coats"),
        ))->all());
    }
}

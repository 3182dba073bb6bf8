<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Adapters\Shelf\SheetColours;
use App\Http\Props\ColourProps;
use Hyalin\Colour\Lab;
use Hyalin\Sheet\Box;
use Hyalin\Sheet\Place;
use Hyalin\Sheet\SheetLayout;

/**
 * One painted place of a field as it was read.
 *
 * @phpstan-import-type Place from SheetColours as PlaceColours
 */
final readonly class SheetPlaceProps
{
    /**
     * @param  list<float>  $box  left, top, width, height in the flattened photo, 0..1
     * @param  float  $radius  CIEDE2000 within which the colour lies two out of three times; an estimate
     * @param  float  $taken  share of the place that was taken, 0..1
     * @param  float|null  $missed  CIEDE2000 between what was read and what the fit gives back
     */
    public function __construct(public string $place, public array $box, public ColourProps $colour, public float $radius, public float $taken, public ?float $missed)
    {
    }

    /** @param  PlaceColours  $read */
    public static function of(Place $place, Box $box, array $read, ?float $missed): self
    {
        return new self(
            $place->value,
            [$box->x / SheetLayout::WIDTH, $box->y / SheetLayout::HEIGHT, $box->width / SheetLayout::WIDTH, $box->height / SheetLayout::HEIGHT],
            ColourProps::of(Lab::of(...$read['lab'])),
            round($read['radius'], 1),
            round($read['taken'], 2),
            $missed,
        );
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Matching\Neutral\InvalidNeutral;

/**
 * All colours of a painted swatch sheet in one photo.
 */
final readonly class SheetReading
{
    /** A brush leaves an edge on every side, mm. */
    private const RIM = 1.4;

    /** As many of a place are enough for its colour and for what is odd of it. */
    private const PIXELS = 600;

    /** Half of a normal distribution in three directions lies within 1.538 standard deviations, two thirds within 1.878. */
    private const TWO_THIRDS = 1.878 / 1.538;

    /** A step of the logarithm of the light, in L* of a mid grey; most of what one place of paper differs by is noise of its own. */
    private const LIGHT = 8.0;

    /**
     * @param  Lab  $paper  of this sheet, under D65
     * @param  Lab  $black  as it was printed, under D65
     * @param  array<int, array<string, PlaceReading>>  $fields  by number of the field and Place
     */
    private function __construct(public FoundSheet $sheet, public LaidCard $card, public EvenedPhoto $even, public Lab $paper, public Lab $black, public array $fields)
    {
    }

    /**
     * @param  array<int, list<Place>>  $asked  what was to be painted, by number of the field
     * @param  float  $grey  reflectance of a grey card
     * @param  callable(float): void  $progress  told how much is done, 0..1
     *
     * @throws InvalidSheet when the paper or the card cannot be read
     * @throws InvalidNeutral when the card is none
     */
    public static function of(Photo $photo, FoundSheet $sheet, SheetLayout $layout, array $asked, float $grey, callable $progress): self
    {
        $light = PaperLight::of($photo, $sheet->map, $layout);
        $progress(0.2);
        $even = EvenedPhoto::of($photo, $sheet->map, $light);
        $card = LaidCard::on($even, $grey);
        $progress(0.3);
        $blacks = array_merge(...array_map(static fn (Box $b): array => $even->pixels($b->inset(2.0), 0.5), SheetLayout::blacks()));
        $black = $blacks === [] ? throw InvalidSheet::noPaper() : CleanPart::of($blacks, $even->reference, null)->linear;
        $fields = [];
        $done = 0;
        foreach ($asked as $field => $places) {
            foreach ($places as $place) {
                $box = $layout->place($field, $place)->inset(self::RIM);
                $pixels = $even->pixels($box, sqrt($box->width * $box->height / self::PIXELS));
                if ($pixels === []) {
                    continue;
                }
                $part = CleanPart::of($pixels, $even->reference, $place === Place::OverBlack ? $black : $even->reference);
                $fields[$field][$place->value] = new PlaceReading(self::lab($card, $part->linear), $part, self::radius($card, $light));
            }
            $progress(0.3 + 0.7 * ++$done / count($asked));
        }

        return new self($sheet, $card, $even, self::lab($card, $even->reference), self::lab($card, $black), $fields);
    }

    /** @return array{float, float, float} factors of the channels, linear, that make the paper at the card look as it was read */
    public function gains(): array
    {
        $paper = $this->paper->toXyz()->toSrgb()->linear();

        [$red, $green, $blue] = $this->even->reference;

        return [$paper[0] / $red, $paper[1] / $green, $paper[2] / $blue];
    }

    /** @param  array{float, float, float}  $linear */
    private static function lab(LaidCard $card, array $linear): Lab
    {
        return Srgb::fromLinear($card->correction->corrected($linear))->toXyz()->toLab();
    }

    private static function radius(LaidCard $card, PaperLight $light): float
    {
        return sqrt((self::TWO_THIRDS * $card->half) ** 2 + (self::LIGHT * $light->unevenness) ** 2);
    }
}

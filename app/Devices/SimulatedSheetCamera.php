<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\Shelf\Paint;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Zone;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Hyalin\Sheet\Place;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Stands in for printer, brush and phone: each sheet as a painter with an uneven hand would have painted it, from what is really in
 * the pots.
 */
final class SimulatedSheetCamera implements SheetCamera
{
    /** How much one coat differs from the next, and from one streak to another within it, in hundredths. */
    private const COAT = 15;

    private const STREAKS = 0.35;

    public function sheet(SwatchSheet $sheet, int $shot): string
    {
        $chance = new Randomizer(new Mt19937(1000 * $sheet->id + $shot));
        $scene = new SheetScene(
            share: $chance->getInt(35, 60) / 100, turn: $chance->getInt(-200, 200) / 1000, tilt: $chance->getInt(50, 350) / 1000, tiltTo: $chance->getInt(0, 6283) / 1000,
            gains: [1.0, 0.98, 0.9], gradient: $chance->getInt(110, 150) / 100, gradientTo: $chance->getInt(0, 6283) / 1000, card: 'chart', seed: $chance->getInt(1, 1000),
        );

        return $this->photo($sheet, $scene);
    }

    public function photo(SwatchSheet $sheet, SheetScene $scene): string
    {
        $white = $sheet->white;

        return SheetRender::jpeg(new SheetPrint($sheet->id, $sheet->layout(), $sheet->fields->mapWithKeys(static fn (SwatchField $field): array => [
            $field->position => self::painted($field, $white),
        ])->all(), $scene->card, $scene->seed), $scene);
    }

    /** @return array<string, non-empty-list<Reflectance>> by Place, from thin to thick */
    public static function painted(SwatchField $field, ?Paint $white): array
    {
        $pot = $field->paint;
        $optics = SimulatedPot::optics($pot);
        $surface = Surface::of($pot->sheen);
        $chance = new Randomizer(new Mt19937(crc32("{$field->sheet_id} {$field->position} {$pot->name}")));
        $coat = static function (Reflectance $under) use ($field, $optics, $surface, $chance): array {
            $thickness = exp($chance->getInt(-2 * self::COAT, 2 * self::COAT) / 141);
            $levels = [];
            for ($level = 0; $level < SheetPrint::LEVELS; $level++) {
                $streak = 1 + self::STREAKS * (2 * $level / (SheetPrint::LEVELS - 1) - 1);
                $levels[] = $surface->seen($field->technique === null
                    ? $optics->filmOver($under, FilmThickness::coats($thickness * $streak))
                    : Layer::of($field->technique, $optics, $field->thinner, $field->coats, Zone::cases(), hand: new Hand(1.0, 1.25 * $thickness * $streak))->over(Zone::Mid, $under));
            }

            return $levels;
        };
        $painted = [Place::OverBlack->value => $coat(SheetPrint::ink()), Place::OverWhite->value => $coat(SheetPrint::paper())];
        if ($field->technique !== null) {
            return $painted;
        }
        $painted[Place::Thick->value] = [$surface->seen($optics->masstone())];
        if ($white !== null && $white->id !== $pot->id) {
            $painted[Place::Tint->value] = [$surface->seen(PaintOptics::mixed([[$optics, 1.0], [SimulatedPot::optics($white), 5.0]])->masstone())];
        }

        return $painted;
    }
}

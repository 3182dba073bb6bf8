<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\ColourProps;
use App\Http\Props\PotProps;
use App\Models\Painter;
use App\Models\References\Sample;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Mixing\MissingPaint;
use Hyalin\Mixing\ShelfReach;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;

/**
 * Colours that the shelf reaches, colours that it lacks for the figures in progress, and which pots are near doubles.
 */
final readonly class GamutPageProps
{
    /** A pot bought for one colour serves others this near as well: own estimate. */
    private const ONE_POT = 15.0;

    private const SHOWN = 8;

    /**
     * @param  list<ColourProps|null>  $overWhite  most chromatic colour by cell: 12 hue sectors from 0 degrees, then the
     *                                             next of 5 bands of lightness; null where nothing reaches
     * @param  list<ColourProps|null>  $overBlack
     * @param  list<GamutGapProps>  $lacks  most wanted first
     * @param  list<NearDuplicateProps>  $doubles  nearest first
     */
    public function __construct(public int $pots, public array $overWhite, public array $overBlack, public array $lacks, public array $doubles)
    {
    }

    public static function of(Painter $painter): self
    {
        $paints = array_values($painter->paints()->get()->filter(static fn (Paint $p): bool => $p->pot()->isMixed() && $p->level_percent > 0)->all());
        if ($paints === []) {
            return new self(0, [], [], [], []);
        }
        $optics = array_map(static fn (Paint $p): PaintOptics => $p->optics(), $paints);
        $coat = FilmThickness::coats(1.0);
        $white = Placement::over(Reflectance::flat(0.85), $coat);
        $black = Placement::over(Reflectance::flat(0.03), $coat);
        $surface = Surface::of(Sheen::Satin);
        $thick = ShelfReach::of($optics, Placement::masstone(), $surface);

        return new self(
            count($paints),
            self::cells(ShelfReach::of($optics, $white, $surface)),
            self::cells(ShelfReach::of($optics, $black, $surface)),
            self::lacks($painter, $thick),
            array_map(static fn (array $d): NearDuplicateProps => new NearDuplicateProps(
                PotProps::of($paints[$d[0]]), PotProps::of($paints[$d[1]]), $d[2],
            ), array_slice(ShelfReach::doubles($optics, [Placement::masstone(), $white, $black], surface: $surface), 0, self::SHOWN)),
        );
    }

    /** @return list<ColourProps|null> */
    private static function cells(ShelfReach $reach): array
    {
        $cells = [];
        for ($cell = 0; $cell < ShelfReach::HUES * ShelfReach::LIGHTS; $cell++) {
            $cells[] = isset($reach->farthest[$cell]) ? ColourProps::of(Lab::of(...$reach->farthest[$cell])) : null;
        }

        return $cells;
    }

    /** @return list<GamutGapProps> */
    private static function lacks(Painter $painter, ShelfReach $reach): array
    {
        $lacking = [];
        foreach (Sample::query()->whereHas('area.figure', fn ($q) => $q->where('painter_id', $painter->id))->with('area.figure')->get() as $sample) {
            [$nearest, $difference] = $reach->nearest($sample->lab());
            if ($difference > MissingPaint::OUT_OF_REACH) {
                $lacking[] = [$sample, $nearest, $difference];
            }
        }
        $lacks = [];
        foreach ($lacking as [$sample, $nearest, $difference]) {
            $lab = $sample->lab();
            $served = 0;
            foreach ($lacking as [$other]) {
                $served += Ciede2000::between($lab->lightness, $lab->a, $lab->b, ...$other->lab()->toArray()) <= self::ONE_POT ? 1 : 0;
            }
            $lacks[] = new GamutGapProps(
                "{$sample->area?->figure?->name}: {$sample->area?->name}, {$sample->zone->value}",
                ColourProps::of($lab),
                ColourProps::of($nearest),
                $difference,
                implode(', ', MissingPaint::from($lab, $nearest, $difference)->wanted),
                $served,
            );
        }
        usort($lacks, static fn (GamutGapProps $p, GamutGapProps $q): int => [$q->served, $q->difference] <=> [$p->served, $p->difference]);

        return array_slice($lacks, 0, self::SHOWN);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\ColourProps;
use App\Models\Brief\Area;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Finish\Zone;

/**
 * The finish of one area as the recipe book lists it.
 */
final readonly class RecipeProps
{
    /**
     * @param  list<ColourProps>  $ramp  recess to edge, predicted in daylight
     * @param  list<string>  $layers  each in a line
     * @param  float|null  $difference  CIEDE2000 of the nearest zone from the colour that was asked for
     * @param  Zone|null  $nearest  that zone
     */
    public function __construct(
        public int $areaId,
        public string $area,
        public int $figureId,
        public string $figure,
        public array $ramp,
        public array $layers,
        public ?float $difference,
        public ?Zone $nearest,
        public string $url,
    ) {
    }

    /** @param  Area  $area  with its figure and layers */
    public static function of(Area $area, ?Lab $wanted): self
    {
        $drafts = LayerDraft::stackOf($area);
        $figure = $area->figure ?? throw new \LogicException("area {$area->id} has no figure");
        $top = FigureOptics::of($figure, $area, Illuminant::D65)->section($drafts)->top();
        $ramp = [];
        $difference = $nearest = null;
        foreach (Zone::cases() as $zone) {
            $seen = $top->cell($zone)->seen;
            $ramp[] = ColourProps::of($seen);
            $by = $wanted === null ? null : DifferenceFormula::Ciede2000->between($wanted, $seen);
            if ($by !== null && ($difference === null || $by < $difference)) {
                [$difference, $nearest] = [$by, $zone];
            }
        }

        return new self(
            $area->id,
            $area->name,
            $area->figure_id,
            figure: $figure->name,
            ramp: $ramp,
            layers: array_map(static fn ($d): string => "{$d->technique->value}: ".implode(' + ', array_map(static fn (array $e): string => "{$e[1]} {$e[0]->name}", $d->mix)), $drafts),
            difference: $difference,
            nearest: $nearest,
            url: route('figures.finishes', [$area->figure_id, $area->id], false),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\ColourProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Likeness;
use Hyalin\Finish\Remedy;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\WillItShow;
use Hyalin\Finish\Zone;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;

/**
 * A finish cut through its films. The first row is the bare print.
 */
final readonly class SectionProps
{
    /**
     * @param  string  $start  what it starts from: the bare print, or the finish of the area it lies on
     * @param  list<SectionRowProps>  $rows
     * @param  list<MatchProps>  $matches  the finished zones beside their samples
     */
    public function __construct(public string $start, public array $rows, public array $matches)
    {
    }

    /**
     * @param  list<LayerDraft>  $drafts
     * @param  Area  $area  with its samples
     */
    public static function predict(Figure $figure, Area $area, array $drafts): self
    {
        $optics = FigureOptics::of($figure, $area);
        $layers = $optics->layers($drafts);
        $section = $optics->prediction->onTop($optics->start, $layers);
        $fromTheSide = self::fromTheSide($optics, $drafts);
        $rows = [];
        foreach ($section->rows as $i => $row) {
            $judged = $i === 0 ? null : WillItShow::judge($optics->prediction, $section, $layers, $i - 1);
            $rows[] = new SectionRowProps(
                array_values(array_map(static fn (SectionCell $c): SectionCellProps => SectionCellProps::of($c, $fromTheSide?->rows[$i]->cell($c->zone)), $row->cells)),
                $row->quality,
                $judged === null || $judged->shows,
                $judged === null ? 0.0 : $judged->largestChange,
                $judged === null ? 0.0 : $judged->left,
                $judged?->mostIn,
                $judged?->remedy(),
                array_map(static fn (Remedy $r): RemedyProps => new RemedyProps($r->words, $r->layer->coats, $r->layer->thinner, $r->layer->zones), $judged->remedies ?? []),
            );
        }
        // Samples are colours under daylight, whatever light the section is looked at in.
        $daylight = $figure->light === Illuminant::D65
            ? $section
            : FigureOptics::of($figure, $area, Illuminant::D65)->section($drafts);
        $wanted = [];
        foreach ($area->samples as $sample) {
            $wanted[$sample->zone->value] = $sample->lab();
        }
        $matches = [];
        foreach (Zone::cases() as $zone) {
            if (! isset($wanted[$zone->value])) {
                continue;
            }
            $seen = $daylight->top()->cell($zone)->seen;
            $difference = DifferenceFormula::Ciede2000->between($wanted[$zone->value], $seen);
            $matches[] = new MatchProps(
                $zone,
                ColourProps::of($wanted[$zone->value]),
                ColourProps::of($seen),
                $difference,
                Likeness::of($difference),
            );
        }

        $carrier = $area->lies_on_id === null ? null : Area::query()->find($area->lies_on_id);

        return new self($carrier === null ? 'bare print' : "finished {$carrier->name}", $rows, $matches);
    }

    /**
     * The section as it is seen along the surface, where flakes show their other face.
     *
     * @param  list<LayerDraft>  $drafts
     */
    private static function fromTheSide(FigureOptics $optics, array $drafts): ?Section
    {
        $flakes = false;
        $side = static function (Paint $pot) use (&$flakes): PaintOptics {
            $flop = $pot->pot()->flop();
            $flakes = $flakes || $flop !== null;

            return $flop === null ? $pot->optics() : PaintEstimate::fromColour($flop, $pot->opacity, $pot->strength, $pot->sheen);
        };
        $layers = $optics->layers($drafts, $side);

        return $flakes ? $optics->prediction->onTop($optics->start, $layers) : null;
    }
}

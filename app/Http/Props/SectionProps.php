<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Adapters\FigureOptics;
use App\Adapters\LayerDraft;
use App\Models\Figure;
use App\Models\Sample;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Likeness;
use Hyalin\Finish\Remedy;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\WillItShow;
use Hyalin\Finish\Zone;

/**
 * A finish cut through its films. The first row is the bare print.
 */
final readonly class SectionProps
{
    /**
     * @param  list<SectionRowProps>  $rows
     * @param  list<MatchProps>  $matches  the finished zones beside their samples
     */
    public function __construct(public array $rows, public array $matches)
    {
    }

    /**
     * @param  list<LayerDraft>  $drafts
     * @param  iterable<Sample>  $samples
     */
    public static function predict(Figure $figure, array $drafts, iterable $samples): self
    {
        $optics = FigureOptics::of($figure);
        $layers = array_map(static fn (LayerDraft $draft) => $draft->toLayer(), $drafts);
        $section = $optics->prediction->of($optics->bare, $layers);
        $rows = [];
        foreach ($section->rows as $i => $row) {
            $judged = $i === 0 ? null : WillItShow::judge($optics->prediction, $section, $layers, $i - 1);
            $rows[] = new SectionRowProps(
                array_values(array_map(SectionCellProps::of(...), $row->cells)),
                $row->quality,
                $judged === null || $judged->shows,
                $judged === null ? 0.0 : $judged->largestChange,
                $judged?->mostIn,
                $judged?->remedy(),
                array_map(static fn (Remedy $r): RemedyProps => new RemedyProps($r->words, $r->layer->coats, $r->layer->thinner, $r->layer->zones), $judged->remedies ?? []),
            );
        }
        // Samples are colours under daylight, whatever light the section is looked at in.
        $daylight = $figure->light === Illuminant::D65
            ? $section
            : SectionPrediction::under(Illuminant::D65, $optics->surface)->of($optics->bare, $layers);
        $wanted = [];
        foreach ($samples as $sample) {
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

        return new self($rows, $matches);
    }
}

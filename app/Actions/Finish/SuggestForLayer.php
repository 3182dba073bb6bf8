<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Adapters\Cups\CupContents;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Finish\LayerQuestion;
use App\Adapters\Finish\LayerSuggestions;
use App\Adapters\Finish\MixRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Cup\Cup;
use Hyalin\Cup\Ramp;
use Hyalin\Cup\RampStep;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SettingSearch;
use Hyalin\Finish\UndercoatAdvice;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\Volume;

/**
 * Suggests changes for one layer: other coats or thinner, another undercoat, a ramp from its mix.
 */
final class SuggestForLayer
{
    private const RAMP_STEPS = 2;

    public function __invoke(Figure $figure, Area $area, Painter $painter, LayerQuestion $asked): LayerSuggestions
    {
        // Targets are colours under daylight, whatever light the finish is looked at in.
        $optics = FigureOptics::of($figure, $area, Illuminant::D65);
        $layers = $optics->layers($asked->drafts);
        $touches = $layers[$asked->index]->coverage($asked->zone) > 0.0;
        $pots = self::rampPots($painter, $asked->draft());

        return new LayerSuggestions(
            $asked->target !== null && $touches ? SettingSearch::find($optics->prediction, $optics->start, $layers, $asked->index, $asked->zone, $asked->target) : null,
            $touches ? self::undercoats($optics, $painter, $layers, $asked) : [],
            self::ramp($optics, $pots, $asked),
            $pots,
            $asked->drift,
        );
    }

    /**
     * The layer over each primer of the shelf, with all that follows it, beside the colour that is wanted; without one, the layer
     * alone beside the colour it has when nothing shows through. A primer that makes the finished zone worse is no advice.
     *
     * @param  list<Layer>  $layers
     * @return list<array{UndercoatAdvice, Paint}>
     */
    private static function undercoats(FigureOptics $optics, Painter $painter, array $layers, LayerQuestion $asked): array
    {
        [$zone, $target] = [$asked->zone, $asked->target];
        $primers = $films = [];
        $twoCoats = FilmThickness::coats(2.0);
        foreach ($painter->paints as $paint) {
            if ($paint->pot()->isPrimer()) {
                $primers[$paint->name] = $paint;
                $films[$paint->name] = $paint->optics()->filmOver($optics->bare, $twoCoats);
            }
        }
        if ($films === [] || $asked->draft()->technique->spec()->isTranslucent && $target === null) {
            return [];
        }
        $from = array_slice($layers, $asked->index, $target === null ? 1 : null);
        if ($from === []) {
            return [];
        }
        $own = $optics->prediction->of($from[0]->mix->masstone(), [])->top()->cell($zone)->seen;
        $advice = UndercoatAdvice::compare($optics->prediction, $films, $from, $zone, $target ?? $own);
        if ($target !== null) {
            $now = DifferenceFormula::Ciede2000->between($target, $optics->prediction->onTop($optics->start, $layers)->top()->cell($zone)->seen);
            $advice = array_values(array_filter($advice, static fn (UndercoatAdvice $a): bool => $a->difference <= $now));
        }

        return array_map(static fn (UndercoatAdvice $a): array => [$a, $primers[$a->undercoat]], $advice);
    }

    /** @return array<string, Paint> by ingredient of a cup: what suits the technique, and what is in the mix already */
    private static function rampPots(Painter $painter, LayerDraft $draft): array
    {
        $pots = [];
        foreach ([...MixRequest::potsFor($draft->technique, $painter->paints), ...array_column($draft->mix, 0)] as $paint) {
            $pots[CupContents::key($paint->id)] = $paint;
        }

        return $pots;
    }

    /**
     * @param  array<string, Paint>  $pots
     * @return list<RampStep>
     */
    private static function ramp(FigureOptics $optics, array $pots, LayerQuestion $asked): array
    {
        $base = Cup::empty();
        foreach ($asked->draft()->mix as [$paint, $drops]) {
            $base = $base->adding(CupContents::key($paint->id), Volume::parts($drops)->millilitres);
        }

        return Ramp::around(array_map(static fn (Paint $p): PaintOptics => $p->optics(), $pots), $base, $asked->contrast, self::RAMP_STEPS, $asked->drift, $optics->surface);
    }
}

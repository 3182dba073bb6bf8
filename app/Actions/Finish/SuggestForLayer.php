<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Adapters\Cups\CupContents;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Finish\LayerSuggestions;
use App\Adapters\Finish\MixRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Cup\Cup;
use Hyalin\Cup\HueDrift;
use Hyalin\Cup\Ramp;
use Hyalin\Cup\RampStep;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SettingSearch;
use Hyalin\Finish\UndercoatAdvice;
use Hyalin\Finish\Zone;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\Volume;

/**
 * What could be done about one layer: other coats or thinner, another undercoat, a ramp from its mix.
 */
final class SuggestForLayer
{
    private const RAMP_STEPS = 2;

    /**
     * @param  list<LayerDraft>  $drafts
     * @param  Lab|null  $target  of the finished zone
     */
    public function __invoke(
        Figure $figure, Area $area, Painter $painter, array $drafts, int $index, Zone $zone, ?Lab $target, float $contrast, HueDrift $drift,
    ): LayerSuggestions {
        // Targets are colours under daylight, whatever light the finish is looked at in.
        $optics = FigureOptics::of($figure, $area, Illuminant::D65);
        $layers = $optics->layers($drafts);
        $touches = $layers[$index]->coverage($zone) > 0.0;

        $pots = self::rampPots($painter, $drafts[$index]);

        return new LayerSuggestions(
            $target !== null && $touches ? SettingSearch::find($optics->prediction, $optics->start, $layers, $index, $zone, $target) : null,
            $touches ? self::undercoats($optics, $painter, $drafts[$index], $layers, $index, $zone, $target) : [],
            self::ramp($optics, $pots, $drafts[$index], $contrast, $drift),
            $pots,
            $drift,
        );
    }

    /**
     * The layer over each primer of the shelf, with all that follows it, beside the colour that is wanted; without one, the layer
     * alone beside the colour it has when nothing shows through. A primer that makes the finished zone worse is no advice.
     *
     * @param  list<Layer>  $layers
     * @return list<array{UndercoatAdvice, Paint}>
     */
    private static function undercoats(FigureOptics $optics, Painter $painter, LayerDraft $draft, array $layers, int $index, Zone $zone, ?Lab $target): array
    {
        $primers = $films = [];
        $twoCoats = FilmThickness::coats(2.0);
        foreach ($painter->paints as $paint) {
            if ($paint->pot()->isPrimer()) {
                $primers[$paint->name] = $paint;
                $films[$paint->name] = $paint->optics()->filmOver($optics->bare, $twoCoats);
            }
        }
        if ($films === [] || $draft->technique->spec()->isTranslucent && $target === null) {
            return [];
        }
        $from = array_slice($layers, $index, $target === null ? 1 : null);
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
    private static function ramp(FigureOptics $optics, array $pots, LayerDraft $draft, float $contrast, HueDrift $drift): array
    {
        $base = Cup::empty();
        foreach ($draft->mix as [$paint, $drops]) {
            $base = $base->adding(CupContents::key($paint->id), Volume::parts($drops)->millilitres);
        }

        return Ramp::around(array_map(static fn (Paint $p): PaintOptics => $p->optics(), $pots), $base, $contrast, self::RAMP_STEPS, $drift, $optics->surface);
    }
}

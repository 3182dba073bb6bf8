<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Actions\Cups\FillCup;
use App\Adapters\Cups\CupContents;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Finish\MixRequest;
use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;
use App\Http\Props\Finish\RampStepProps;
use App\Http\Props\Finish\SettingProps;
use App\Http\Props\Finish\SuggestionsProps;
use App\Http\Props\Finish\UndercoatProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Likeness;
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
use Hyalin\Pot\PotKind;

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
    ): SuggestionsProps {
        $optics = FigureOptics::of($figure, $area);
        $layers = $optics->layers($drafts);
        $touches = $layers[$index]->coverage($zone) > 0.0;

        return new SuggestionsProps(
            $target !== null && $touches ? self::setting($optics, $layers, $index, $zone, $target) : null,
            $touches ? self::undercoats($optics, $painter, $drafts[$index], $layers[$index], $zone, $target) : [],
            self::ramp($optics, $painter, $drafts[$index], $contrast, $drift),
            $drift,
        );
    }

    /** @param  list<Layer>  $layers */
    private static function setting(FigureOptics $optics, array $layers, int $index, Zone $zone, Lab $target): SettingProps
    {
        $found = SettingSearch::find($optics->prediction, $optics->start, $layers, $index, $zone, $target);

        return new SettingProps($found->coats, $found->thinner, ColourProps::of($found->lab), $found->difference, Likeness::of($found->difference));
    }

    /**
     * The layer over each primer of the shelf, beside the colour it has when nothing shows through.
     *
     * @return list<UndercoatProps>
     */
    private static function undercoats(FigureOptics $optics, Painter $painter, LayerDraft $draft, Layer $layer, Zone $zone, ?Lab $target): array
    {
        $primes = $hexes = [];
        $twoCoats = FilmThickness::coats(2.0);
        foreach ($painter->paints as $paint) {
            if ($paint->kind === PotKind::Primer) {
                $primes[$paint->name] = $paint->optics()->filmOver($optics->bare, $twoCoats);
                $hexes[$paint->name] = $paint->thick_hex;
            }
        }
        if ($primes === [] || $draft->technique->isTranslucent() && $target === null) {
            return [];
        }
        $own = $optics->prediction->of($layer->mix->masstone(), [])->top()->cell($zone)->seen;
        $advice = UndercoatAdvice::compare($optics->prediction, $primes, $layer, $zone, $target ?? $own);

        return array_map(static fn (UndercoatAdvice $a): UndercoatProps => new UndercoatProps(
            $a->undercoat, $hexes[$a->undercoat], $a->coats, ColourProps::of($a->lab), $a->difference,
        ), $advice);
    }

    /** @return list<RampStepProps> */
    private static function ramp(FigureOptics $optics, Painter $painter, LayerDraft $draft, float $contrast, HueDrift $drift): array
    {
        $pots = [];
        foreach (MixRequest::potsFor($draft->technique, $painter->paints) as $paint) {
            $pots[CupContents::key($paint->id)] = $paint;
        }
        $base = Cup::empty();
        foreach ($draft->mix as [$paint, $drops]) {
            $pots[CupContents::key($paint->id)] = $paint;
            $base = $base->adding(CupContents::key($paint->id), FillCup::drops($drops));
        }
        $shelf = array_map(static fn (Paint $p): PaintOptics => $p->optics(), $pots);

        return array_map(static fn (RampStep $s): RampStepProps => new RampStepProps(
            $s->step,
            self::inDrops($pots, $s->added),
            self::inDrops($pots, array_map(static fn (float $v): int => (int) round($v / Cup::DROP), $s->cup->volumes)),
            ColourProps::of($s->lab),
        ), Ramp::around($shelf, $base, $contrast, self::RAMP_STEPS, $drift, $optics->surface));
    }

    /**
     * @param  array<string, Paint>  $pots
     * @param  array<string, int>  $counts
     * @return list<DropsProps>
     */
    private static function inDrops(array $pots, array $counts): array
    {
        $drops = [];
        foreach ($counts as $key => $count) {
            $drops[] = DropsProps::of($pots[$key], $count);
        }

        return $drops;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Bench\AidedDrying;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\Hands;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\ColourProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Likeness;
use Hyalin\Finish\Doubt\Cause;
use Hyalin\Finish\Remedy;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\WillItShow;
use Hyalin\Finish\Zone;
use Hyalin\Optics\OpticsQuality;
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
     * @param  list<ZoneSpreadProps>  $spreads  how sure the finished zones are; none where that was not asked for
     * @param  HelpProps|null  $help  what would make them surest
     */
    public function __construct(public string $start, public array $rows, public array $matches, public array $spreads, public ?HelpProps $help)
    {
    }

    /**
     * @param  list<LayerDraft>  $drafts
     * @param  Area  $area  with its samples
     * @param  bool  $doubted  also how sure it is
     */
    public static function predict(Figure $figure, Area $area, array $drafts, bool $doubted = true): self
    {
        $optics = FigureOptics::of($figure, $area);
        $layers = $optics->layers($drafts);
        $section = $optics->prediction->onTop($optics->start, $layers);
        $fromTheSide = self::fromTheSide($optics, $drafts);
        $aid = app(AidedDrying::class)->aid($figure->painter_id);
        $rows = [];
        foreach ($section->rows as $i => $row) {
            $judged = $i === 0 ? null : WillItShow::judge($optics->prediction, $section, $layers, $i - 1);
            $rows[] = new SectionRowProps(
                array_values(array_map(static fn (SectionCell $c): SectionCellProps => SectionCellProps::of($c, $fromTheSide?->rows[$i]->cell($c->zone)), $row->cells)),
                $row->quality,
                $judged === null || $judged->shows,
                largestChange: $judged === null ? 0.0 : $judged->largestChange,
                left: $judged === null ? 0.0 : $judged->left,
                mostIn: $judged?->mostIn,
                remedy: $judged?->remedy(),
                remedies: array_map(static fn (Remedy $r): RemedyProps => new RemedyProps($r->words, $r->layer->coats, $r->layer->thinner, $r->layer->zones), $judged->remedies ?? []),
                dryMinutes: $i === 0 ? 0 : $aid->minutes($drafts[$i - 1]->recipe()->dryingMinutes(), $drafts[$i - 1]->recipe()->mainPot()->chemistry()),
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

        $doubt = $doubted && $drafts !== [] ? $optics->doubt($drafts) : null;

        return new self(
            $carrier === null ? 'bare print' : "finished {$carrier->name}",
            $rows,
            $matches,
            $doubt === null ? [] : array_map(static fn (Zone $zone): ZoneSpreadProps => new ZoneSpreadProps($zone, SpreadProps::of($doubt->spread($zone))), Zone::cases()),
            HelpProps::of($doubt?->wouldHelpMost(self::settled($drafts)), $drafts),
        );
    }

    /**
     * Pots that are measured, and techniques that chips were painted of.
     *
     * @param  list<LayerDraft>  $drafts
     * @return list<string> keys of Hyalin\Finish\Doubt\Cause
     */
    private static function settled(array $drafts): array
    {
        $settled = [];
        foreach ($drafts as $draft) {
            foreach ($draft->mix as [$pot]) {
                if ($pot->quality === OpticsQuality::Measured) {
                    $settled[] = Cause::pot((string) $pot->id)->key;
                }
            }
            // What leaves nothing on a flat chip cannot be learnt from one.
            if (app(Hands::class)->of($draft->mix[0][0]->painter_id, $draft->technique) !== null || $draft->technique->profile()->coverage(Zone::Mid) <= 0.0) {
                $settled[] = Cause::hand($draft->technique)->key;
            }
        }

        return $settled;
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

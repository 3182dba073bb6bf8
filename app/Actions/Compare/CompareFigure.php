<?php

declare(strict_types=1);

namespace App\Actions\Compare;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\ProposalShelf;
use App\Http\Props\ColourProps;
use App\Http\Props\Compare\ComparedAreaProps;
use App\Http\Props\Compare\ComparedZoneProps;
use App\Http\Props\Compare\TouchUpProps;
use App\Http\Props\Finish\AreaFinishProps;
use App\Http\Props\Finish\LayerProps;
use App\Models\Brief\Area;
use App\Models\Brief\BalanceRecord;
use App\Models\Brief\Figure;
use App\Models\Compare\Finding;
use App\Models\Painter;
use App\Models\References\Picture;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Likeness;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Finish\BalanceKind;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Comparison\ComparedColours;
use Hyalin\Matching\Comparison\TouchUp;
use Illuminate\Validation\ValidationException;

/**
 * The painted piece beside what was wanted and what was predicted.
 */
final class CompareFigure
{
    private const USUAL = 3.0;

    private const FOCAL = 2.0;

    /** @return list<ComparedAreaProps> in the figure's order */
    public function __invoke(Figure $figure, ?Picture $photo): array
    {
        $findings = [];
        foreach ($photo === null ? [] : $photo->findings()->get() as $finding) {
            $findings[$finding->area_id][] = $finding;
        }
        $areas = [];
        foreach ($figure->areas()->with(['layers.paints.paint', 'samples'])->get() as $area) {
            $areas[] = $this->area($figure, $area, $findings[$area->id] ?? [], self::tolerance($figure, $area));
        }

        return $areas;
    }

    /** @throws ValidationException when nothing of the area was found on the photo, or nothing is wanted of it */
    public function touchUp(Figure $figure, Area $area, Picture $photo, Painter $painter): TouchUpProps
    {
        $found = [];
        foreach ($photo->findings()->where('area_id', $area->id)->get() as $finding) {
            $found[$finding->zone->value] = $finding->lab();
        }
        $wanted = [];
        foreach (Zone::cases() as $zone) {
            $sample = $area->samples->firstWhere('zone', $zone);
            if ($sample !== null && isset($found[$zone->value])) {
                $wanted[$zone->value] = $sample->lab();
            }
        }
        if ($wanted === []) {
            throw ValidationException::withMessages(['area' => "Nothing of {$area->name} was found on this photo yet where a colour is wanted: take its zones first."]);
        }
        $optics = FigureOptics::of($figure, $area, Illuminant::D65);
        $predicted = $optics->section(AreaFinishProps::drafts($area->load('layers.paints.paint')))->top();
        $shelf = ProposalShelf::of($painter);
        $touchUp = TouchUp::find($optics->prediction, self::painted($predicted, $found), $shelf->shelf, $wanted, self::tolerance($figure, $area));

        return new TouchUpProps(
            $touchUp->layer === null ? null : LayerProps::of($shelf->draft($touchUp->layer)),
            $touchUp->before,
            $touchUp->after,
            array_values(array_map(ColourProps::of(...), $wanted)),
            array_values(array_map(ColourProps::of(...), $touchUp->colours)),
            $touchUp->startOver,
            $touchUp->isWithin,
            $area->version,
        );
    }

    /** @return float CIEDE2000 in the mean; the painter's own, or less for a focal point than for others */
    private static function tolerance(Figure $figure, Area $area): float
    {
        $isFocal = $figure->balances->contains(static fn (BalanceRecord $b): bool => $b->kind === BalanceKind::FocalPoint && $b->area_id === $area->id);

        return $area->tolerance ?? ($isFocal ? self::FOCAL : self::USUAL);
    }

    /** @param  list<Finding>  $findings */
    private function area(Figure $figure, Area $area, array $findings, float $tolerance): ComparedAreaProps
    {
        $drafts = AreaFinishProps::drafts($area);
        $top = FigureOptics::of($figure, $area, Illuminant::D65)->section($drafts)->top();
        $zones = [];
        $sum = $of = $worst = 0.0;
        foreach (Zone::cases() as $zone) {
            $sample = $area->samples->firstWhere('zone', $zone);
            $finding = null;
            foreach ($findings as $each) {
                $finding = $each->zone === $zone ? $each : $finding;
            }
            if ($sample === null && $finding === null) {
                continue;
            }
            $wanted = $sample?->lab() ?? $top->cell($zone)->seen;
            $compared = $finding === null ? null : ComparedColours::of($wanted, $finding->lab());
            if ($compared !== null) {
                // A zone the mesh hardly has still counts a little, as it was found.
                $share = max(0.01, $area->share($zone));
                $sum += $share * $compared->difference;
                $of += $share;
                $worst = max($worst, $compared->difference);
            }
            $zones[] = new ComparedZoneProps(
                $zone,
                ColourProps::of($wanted),
                $finding === null ? null : ColourProps::of($finding->lab()),
                $drafts === [] ? null : ColourProps::of($top->cell($zone)->seen),
                $compared?->difference,
                $compared === null ? null : Likeness::of($compared->difference),
                $compared->words ?? [],
                $finding === null ? null : ComparedColours::of($top->cell($zone)->seen, $finding->lab())->difference,
                $finding === null || $finding->doubts === null ? null : ucfirst(implode('; ', $finding->doubts)).'.',
                $finding->method ?? null,
                $finding->outline ?? [],
            );
        }

        return new ComparedAreaProps($area->id, $area->name, $tolerance, $zones, $of > 0 ? $sum / $of : null, $of > 0 ? $worst : null, $of > 0 ? $sum / $of <= $tolerance : null);
    }

    /**
     * What the next layer would lie on: what was found where something was, what was predicted elsewhere.
     *
     * @param  array<string, Lab>  $found
     */
    private static function painted(SectionRow $predicted, array $found): SectionRow
    {
        return new SectionRow(array_map(static fn (SectionCell $cell): SectionCell => isset($found[$cell->zone->value])
            ? new SectionCell($cell->zone, $cell->surface->insideOrBlack(SpectralRecovery::of($found[$cell->zone->value]->toXyz())), $found[$cell->zone->value], true, 0.0, $cell->surface)
            : $cell, $predicted->cells), $predicted->quality);
    }
}

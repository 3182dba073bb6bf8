<?php

declare(strict_types=1);

namespace App\Actions\Compare;

use App\Adapters\Compare\AreaTouchUp;
use App\Adapters\Compare\ComparedArea;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\Hands;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Finish\ProposalShelf;
use App\Models\Brief\Area;
use App\Models\Brief\BalanceRecord;
use App\Models\Brief\Figure;
use App\Models\Compare\Finding;
use App\Models\Painter;
use App\Models\References\Picture;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Finish\BalanceKind;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Comparison\AreaComparison;
use Hyalin\Matching\Comparison\Tolerance;
use Hyalin\Matching\Comparison\TouchUp;
use Hyalin\Matching\Comparison\ZoneComparison;
use Illuminate\Validation\ValidationException;

/**
 * The painted piece beside what was wanted and what was predicted.
 */
final class CompareFigure
{
    /** @return list<ComparedArea> in the figure's order */
    public function __invoke(Figure $figure, ?Picture $photo): array
    {
        $findings = [];
        foreach ($photo === null ? [] : $photo->findings()->get() as $finding) {
            $findings[$finding->area_id][] = $finding;
        }
        $areas = [];
        foreach ($figure->areasWithFinishes()->loadMissing('samples') as $area) {
            $areas[] = $this->area($figure, $area, $findings[$area->id] ?? [], self::tolerance($figure, $area));
        }

        return $areas;
    }

    /** @throws ValidationException when nothing of the area was found on the photo, or nothing is wanted of it */
    public function touchUp(Figure $figure, Area $area, Picture $photo, Painter $painter): AreaTouchUp
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
            throw ValidationException::withMessages(['area' => "Nothing of {$area->name} was found on this photo yet: find its zones first."]);
        }
        $optics = FigureOptics::of($figure, $area, Illuminant::D65);
        $predicted = $optics->section(LayerDraft::stackOf($area->load('layers.paints.paint')))->top();
        $shelf = ProposalShelf::of($painter);
        $touchUp = TouchUp::find($optics->prediction, self::painted($predicted, $found), $shelf->shelf, $wanted, self::tolerance($figure, $area), app(Hands::class)->practice($painter->id, $area));

        return new AreaTouchUp($area, $touchUp, $touchUp->layer === null ? null : $shelf->draft($touchUp->layer), $wanted);
    }

    /** @return float CIEDE2000 in the mean; the painter's own, or less for a focal point than for others */
    private static function tolerance(Figure $figure, Area $area): float
    {
        $isFocal = $figure->balances->contains(static fn (BalanceRecord $b): bool => $b->kind === BalanceKind::FocalPoint && $b->area_id === $area->id);

        return Tolerance::of($area->tolerance, $isFocal);
    }

    /** @param  list<Finding>  $findings */
    private function area(Figure $figure, Area $area, array $findings, float $tolerance): ComparedArea
    {
        $drafts = LayerDraft::stackOf($area);
        $optics = FigureOptics::of($figure, $area, Illuminant::D65);
        $top = $optics->section($drafts)->top();
        $by = $zones = $shares = [];
        foreach ($findings as $finding) {
            $by[$finding->zone->value] = $finding;
        }
        foreach (Zone::cases() as $zone) {
            $wanted = $area->samples->firstWhere('zone', $zone)?->lab();
            $painted = ($by[$zone->value] ?? null)?->lab();
            $shares[$zone->value] = $area->share($zone);
            if ($wanted !== null || $painted !== null) {
                $zones[] = ZoneComparison::of($zone, $wanted, $painted, $top->cell($zone)->seen, $drafts !== []);
            }
        }

        return new ComparedArea($area, AreaComparison::of($zones, $shares, $tolerance), $by, $drafts === [] ? null : $optics->doubt($drafts));
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

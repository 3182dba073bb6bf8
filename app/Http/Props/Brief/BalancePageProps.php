<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\ColourProps;
use App\Models\Brief\Area;
use App\Models\Brief\BalanceRecord;
use App\Models\Brief\Figure;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Finish\Balance;
use Hyalin\Finish\BalanceKind;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\Zone;

/**
 * All finished areas of a figure side by side, under one light.
 */
final readonly class BalancePageProps
{
    /** CIEDE2000 in daylight below which two zones are taken for one colour. */
    private const ALIKE = 2.5;

    /**
     * @param  list<BalanceAreaProps>  $areas
     * @param  list<BalancePreferenceProps>  $preferences
     * @param  list<MetamerismProps>  $mismatches  worst first
     */
    public function __construct(public array $areas, public array $preferences, public array $mismatches, public Illuminant $light)
    {
    }

    public static function of(Figure $figure, Illuminant $light): self
    {
        $day = $seen = $areas = [];
        foreach ($figure->areasWithFinishes() as $area) {
            $drafts = LayerDraft::stackOf($area);
            $day[$area->id] = FigureOptics::of($figure, $area, Illuminant::D65)->section($drafts);
            $seen[$area->id] = FigureOptics::of($figure, $area, $light)->section($drafts);
            $areas[$area->id] = $area;
        }

        return new self(
            array_values(array_map(static fn (Area $a): BalanceAreaProps => self::area($a, $day[$a->id], $seen[$a->id]), $areas)),
            array_values(array_map(
                static fn (BalanceRecord $w): BalancePreferenceProps => self::preference($w, $seen),
                array_filter($figure->balances->all(), static fn (BalanceRecord $w): bool => isset($seen[$w->area_id])),
            )),
            self::mismatches($areas, $day, $seen),
            $light,
        );
    }

    private static function area(Area $area, Section $day, Section $seen): BalanceAreaProps
    {
        return new BalanceAreaProps(
            $area->id,
            $area->name,
            $area->part->name ?? '',
            array_values(array_map(static fn (SectionCell $c): ColourProps => ColourProps::of($c->seen), $seen->top()->cells)),
            array_values(array_map(static fn (SectionCell $c): string => ColourProps::of($c->seen->toGrey())->hex, $seen->top()->cells)),
            Balance::contrast($seen),
            DifferenceFormula::Ciede2000->between(
                $day->top()->cell(Zone::Mid)->seen,
                $seen->top()->cell(Zone::Mid)->seen->toXyz()->adaptedTo(Illuminant::D65)->toLab(),
            ),
        );
    }

    /** @param  array<int, Section>  $seen  by area */
    private static function preference(BalanceRecord $wish, array $seen): BalancePreferenceProps
    {
        $judged = $wish->kind === BalanceKind::FocalPoint || $wish->other_id === null
            ? Balance::focal($seen[$wish->area_id], array_values(array_diff_key($seen, [$wish->area_id => true])), $wish->limit)
            : Balance::between($wish->kind, $seen[$wish->area_id], $seen[$wish->other_id], $wish->limit);

        return new BalancePreferenceProps($wish->id, $wish->kind, $wish->area_id, $wish->other_id, $wish->limit, $judged->holds, $judged->value);
    }

    /**
     * @param  array<int, Area>  $areas
     * @param  array<int, Section>  $day
     * @param  array<int, Section>  $seen
     * @return list<MetamerismProps>
     */
    private static function mismatches(array $areas, array $day, array $seen): array
    {
        $found = [];
        $ids = array_keys($areas);
        foreach ($ids as $n => $one) {
            foreach (array_slice($ids, $n + 1) as $other) {
                foreach (Zone::cases() as $zone) {
                    $before = [$day[$one]->top()->cell($zone)->seen, $day[$other]->top()->cell($zone)->seen];
                    $after = [$seen[$one]->top()->cell($zone)->seen, $seen[$other]->top()->cell($zone)->seen];
                    $alike = DifferenceFormula::Ciede2000->between(...$before);
                    if ($alike <= self::ALIKE && Balance::parting($before, $after) > 1.0) {
                        $found[] = new MetamerismProps($areas[$one]->name, $areas[$other]->name, $zone->value, $alike, DifferenceFormula::Ciede2000->between(...$after));
                    }
                }
            }
        }
        usort($found, static fn (MetamerismProps $p, MetamerismProps $q): int => $q->light <=> $p->light);

        return $found;
    }
}

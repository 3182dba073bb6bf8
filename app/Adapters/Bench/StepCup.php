<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Adapters\Cups\CupContents;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Casts\RecordedMix;
use App\Models\Bench\RunStep;
use App\Models\Cups\CupRecord;
use App\Models\Shelf\Paint;
use Hyalin\Colour\GamutMapping;
use Hyalin\Cup\Cup;
use Hyalin\Finish\Zone;
use Hyalin\Pot\Volume;

/**
 * The cup that stands open for a step: what is in it is what will be used, and what will come of it is told before.
 *
 * @phpstan-import-type MixEntry from RecordedMix
 */
final readonly class StepCup
{
    /** Whole parts that the least of them may be written as. */
    private const MOST_UNITS = 6;

    /**
     * @param  non-empty-list<array{Paint, int|float}>  $mix  pots with their parts by volume, in the proportions of the cup
     * @param  float  $thinner  parts of thinner to one of paint in it
     */
    private function __construct(public CupRecord $record, public float $millilitres, public array $mix, public float $thinner)
    {
    }

    /** @return self|null null when none stands open with paint in it */
    public static function of(RunStep $step): ?self
    {
        $record = $step->cups->filter(static fn (CupRecord $c): bool => $c->emptied_at === null)->last();
        if ($record === null) {
            return null;
        }
        $contents = CupContents::of($record);
        $paint = array_filter($contents->cup->volumes, static fn (float $ml, string $key): bool => $key !== Cup::THINNER && $ml > 0.0 && isset($contents->pots[$key]), ARRAY_FILTER_USE_BOTH);
        $mix = [];
        foreach ($paint as $key => $ml) {
            $mix[] = [$contents->pots[$key], Volume::millilitres($ml)->inParts()];
        }
        $mix = self::inWholeParts($mix);
        $thinner = $contents->cup->volumes[Cup::THINNER] ?? 0.0;

        return $mix === [] ? null : new self($record, $contents->cup->total(), $mix, $thinner / array_sum($paint));
    }

    /**
     * Half of 4 + 1 + 1 + 1 is still that: where whole parts say the same exactly, they are written.
     *
     * @param  list<array{Paint, float}>  $mix
     * @return list<array{Paint, int|float}>
     */
    private static function inWholeParts(array $mix): array
    {
        $least = $mix === [] ? 0.0 : min(array_column($mix, 1));
        for ($unit = 1; $least > 0.0 && $unit <= self::MOST_UNITS; $unit++) {
            $whole = array_map(static fn (array $e): float => $e[1] / $least * $unit, $mix);
            if (array_filter($whole, static fn (float $w): bool => abs($w - round($w)) > 1e-6) === []) {
                return array_map(static fn (array $e, float $w): array => [$e[0], (int) round($w)], $mix, $whole);
            }
        }

        return array_map(static fn (array $e): array => [$e[0], round($e[1], 6)], $mix);
    }

    /** @return list<MixEntry> as a record keeps it */
    public function recorded(): array
    {
        return array_map(static fn (array $e): array => ['paintId' => $e[0]->id, 'maker' => $e[0]->maker, 'name' => $e[0]->name, 'hex' => $e[0]->thick_hex, 'drops' => $e[1]], $this->mix);
    }

    /** @return bool whether its proportions are those that were planned, within a drop in twenty */
    public function isAsPlanned(RunStep $step): bool
    {
        $all = array_sum(array_column($this->mix, 1));
        $planned = array_sum(array_column($step->planned_mix, 'drops'));
        $shares = [];
        foreach ($step->planned_mix as $entry) {
            $shares[$entry['paintId']] = $entry['drops'] / $planned;
        }
        foreach ($this->mix as [$pot, $drops]) {
            $shares[$pot->id] = ($shares[$pot->id] ?? 0.0) - $drops / $all;
        }

        return max(array_map(abs(...), $shares)) <= 0.05;
    }

    /** @return array<string, string>|null hex by zone after this step, painted from this cup; null where no single area is painted */
    public function colours(RunStep $step): ?array
    {
        $area = $step->areas->count() === 1 ? $step->areas->first() : null;
        if ($area === null || $step->layer_key === null) {
            return null;
        }
        $figure = $step->run->figure;
        $area = $figure->areasWithFinishes()->find($area->id);
        $drafts = $area === null ? [] : RunFinish::of($area, $step->run);
        foreach ($drafts as $n => $draft) {
            if ($draft->key === $step->layer_key && $area !== null) {
                $drafts[$n] = new LayerDraft($draft->key, $draft->technique, $draft->zones, $this->thinner, $draft->coats, $this->mix, $draft->note);
                $row = FigureOptics::of($figure, $area)->section(array_values($drafts))->rows[$n + 1];
                $colours = [];
                foreach (Zone::cases() as $zone) {
                    $colours[$zone->value] = GamutMapping::displayed($row->cell($zone)->seen)->shown->toHex();
                }

                return $colours;
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Shelf\Paint;
use Hyalin\Bench\LearnedUse;
use Hyalin\Bench\Quantity;
use Hyalin\Finish\Consumption;
use Hyalin\Finish\Technique;
use Hyalin\Plan\FigureSurface;
use Hyalin\Pot\Volume;

/**
 * How much paint steps take: defaults of the trade, corrected by what this painter's past runs used. What was learned is
 * looked up once a request.
 */
final class PaintNeeds
{
    /** That a mix stays usable in a covered cup: own estimate. */
    private const CUP_HOURS = 4;

    /** @var array<int, array<string, float>> by painter and technique */
    private array $learned = [];

    /** @var array<int, array<int, float>> mL of one drop by painter and paint, where it is not a usual one */
    private array $droppers = [];

    /** @return Quantity|null null for work without paint, and for what is not counted in drops */
    public function of(RunStep $step): ?Quantity
    {
        return $this->estimated($step, $step->technique === null ? 1.0 : $this->learned($step->run->painter_id, $step->technique));
    }

    /**
     * Whole drops to put into the cup, by paint.
     *
     * @param  RunStep  ...$next  that the same cup serves
     * @return array<int, int> empty when nothing is counted
     */
    public function drops(RunStep $step, RunStep ...$next): array
    {
        $mix = $step->used_mix ?? $step->planned_mix;
        $need = $this->together($step, ...$next);
        if ($need === null || $mix === [] || $step->technique?->spec()->application->isCountedInDrops() !== true) {
            return [];
        }

        $droppers = $this->droppers($step);

        return array_combine(array_column($mix, 'paintId'), $need->drops(array_column($mix, 'drops'), array_map(static fn (array $e): float => $droppers[$e['paintId']] ?? Volume::DROP, $mix)));
    }

    /**
     * The paint that leaves the pots: whole drops into the cup, or what a can sprays.
     *
     * @param  iterable<Paint>  $pots  those that the step names
     * @param  RunStep  ...$next  that the same cup serves
     * @return array<int, float> mL by paint
     */
    public function millilitres(iterable $pots, RunStep $step, RunStep ...$next): array
    {
        $drops = $this->drops($step, ...$next);
        $need = $drops === [] ? $this->together($step, ...$next) : null;
        $can = ($step->used_mix ?? $step->planned_mix)[0]['paintId'] ?? null;
        $taken = $need !== null && $can !== null ? [$can => $need->mixedMillilitres()] : [];
        foreach ($pots as $pot) {
            if (isset($drops[$pot->id])) {
                $taken[$pot->id] = $drops[$pot->id] * $pot->pot()->dropMillilitres();
            }
        }

        return $taken;
    }

    /**
     * The steps by the cup that serves them: one after the other in the plan, with the same tool, mix and thinning, on areas of
     * which none comes twice, so that nothing has to dry between them; and not so long after one of them that the cup has dried.
     *
     * @param  iterable<RunStep>  $steps  in their order; what was skipped takes no paint
     * @return list<non-empty-list<RunStep>>
     */
    public static function cups(iterable $steps): array
    {
        $cups = $cup = $painted = [];
        $last = $mixedAt = null;
        foreach ($steps as $step) {
            if ($step->state === RunStepState::Skipped) {
                continue;
            }
            $mix = array_map(static fn (array $e): array => [$e['paintId'], $e['drops']], $step->used_mix ?? $step->planned_mix);
            $areas = $step->areas->modelKeys();
            $of = $mix === [] ? null : [$step->technique, $mix, $step->thinner];
            $isFresh = $mixedAt === null || $mixedAt->diffInHours($step->done_at ?? now()) < self::CUP_HOURS;
            if ($of !== null && $of === $last && $isFresh && array_intersect($painted, $areas) === []) {
                $cup[] = $step;
                $painted = [...$painted, ...$areas];
                $mixedAt ??= $step->done_at;
            } else {
                $cups[] = $cup;
                $cup = [$step];
                $painted = $areas;
                $mixedAt = $step->done_at;
            }
            $last = $of;
        }

        return array_values(array_filter([...$cups, $cup], static fn (array $c): bool => $c !== []));
    }

    /** @return float factor on what the defaults say; 1 until a run has told more */
    public function learned(int $painterId, Technique $technique): float
    {
        $this->learned[$painterId] ??= $this->allOf($painterId);

        return $this->learned[$painterId][$technique->value] ?? 1.0;
    }

    /** @return array<int, float> mL of one drop by paint */
    private function droppers(RunStep $step): array
    {
        $painter = $step->run->painter_id;
        $this->droppers[$painter] ??= Paint::withTrashed()->where('painter_id', $painter)->whereNotNull('drop_ml')->get()
            ->mapWithKeys(static fn (Paint $p): array => [$p->id => $p->pot()->dropMillilitres()])->all();

        return $this->droppers[$painter];
    }

    /** @return float mL of a drop of the step's mix, on average */
    private function meanDrop(RunStep $step): float
    {
        $droppers = $this->droppers($step);
        $volume = $drops = 0.0;
        foreach ($step->used_mix ?? $step->planned_mix as $entry) {
            $part = Volume::parts($entry['drops'])->millilitres;
            $volume += $part;
            $drops += $part / ($droppers[$entry['paintId']] ?? Volume::DROP);
        }

        return $drops > 0.0 ? $volume / $drops : Volume::DROP;
    }

    public function forget(): void
    {
        $this->learned = [];
    }

    private function together(RunStep ...$steps): ?Quantity
    {
        return self::sum(array_map($this->of(...), $steps));
    }

    /** @param  array<Quantity|null>  $needs */
    private static function sum(array $needs): ?Quantity
    {
        $all = null;
        foreach ($needs as $need) {
            $all = $need === null || $all === null ? $need ?? $all : $all->and($need);
        }

        return $all;
    }

    private function estimated(RunStep $step, float $learned): ?Quantity
    {
        if ($step->technique === null || ! $step->technique->spec()->application->isMeasured()) {
            return null;
        }
        $use = Consumption::of($step->technique, $step->zones, self::shares($step));

        return Quantity::of(
            $step->square_cm ?? self::estimatedCm2($step),
            $use->wetMicrometres,
            $use->efficiency,
            max(1, $step->used_coats ?? $step->coats),
            max(1, $step->figures()),
            $use->keptDrops,
            $step->thinner,
            $learned,
        );
    }

    /** Of a step that was planned before sizes were estimated. */
    private static function estimatedCm2(RunStep $step): float
    {
        $figure = $step->run->loadMissing('figure')->figure;

        return FigureSurface::cm2($figure->height_mm) / max(1, $figure->areas()->count());
    }

    /** @return list<float>|null of the step's area where it has one and the mesh measured it */
    private static function shares(RunStep $step): ?array
    {
        return $step->areas->count() === 1 ? $step->areas->first()?->zone_shares : null;
    }

    /** @return array<string, float> */
    private function allOf(int $painterId): array
    {
        $runs = [];
        $steps = RunStep::query()->where('state', RunStepState::Done)->whereHas('run', static fn ($q) => $q->where('painter_id', $painterId)
            ->whereHas('steps', static fn ($s) => $s->whereNotNull('used_drops')))->with(['run', 'areas'])->orderBy('position')->get()->groupBy('run_id');
        foreach ($steps as $ofRun) {
            foreach (self::cups($ofRun) as $cup) {
                // Drops counted once for a cup are those of all that it served.
                $used = array_sum(array_map(static fn (RunStep $s): int => $s->used_drops ?? 0, $cup));
                $all = self::sum(array_map(fn (RunStep $s): ?Quantity => $this->estimated($s, 1.0), $cup));
                if ($used > 0 && $all !== null && $cup[0]->technique !== null) {
                    $runs[$cup[0]->technique->value][] = [$all->paintMillilitres(), $used * $this->meanDrop($cup[0])];
                }
            }
        }

        return array_map(LearnedUse::factor(...), $runs);
    }
}

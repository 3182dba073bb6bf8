<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Adapters\Finish\LayerDraft;
use App\Adapters\Order\FigureOrder;
use App\Casts\RecordedMix;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Bench\DryingAid;
use Hyalin\Bench\Work;
use Hyalin\Bench\WorkLags;
use Hyalin\InvalidInput;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;

/**
 * The work left on a figure, to be planned over sessions: the open steps of its run, or all of its plan where no run has
 * begun. Says of each step what it is.
 *
 * @phpstan-type Known array{figureId: int, figure: string, runStepId: int|null, what: string, where: string, hex: string|null}
 */
final readonly class FigureWork
{
    /** @param  array<string, Known>  $known  by id of the step */
    private function __construct(public Work $work, public array $known)
    {
    }

    /** @return self|null null when nothing is left, or nothing is planned yet */
    public static function of(Figure $figure, DryingAid $aid): ?self
    {
        $run = $figure->loadMissing(['latestRun.steps.areas', 'latestRun.steps.parts'])->latestRun;
        if ($run !== null && $run->finished_at === null) {
            return self::ofRun($figure, $run, $aid);
        }

        return $run === null ? self::ofPlan($figure, $aid) : null;
    }

    private static function ofPlan(Figure $figure, DryingAid $aid): ?self
    {
        if ($figure->areasWithFinishes()->every(static fn (Area $a): bool => $a->layers->isEmpty())) {
            return null;
        }
        try {
            $order = FigureOrder::of($figure);
        } catch (InvalidInput) {
            return null;
        }
        $prefix = "f{$figure->id} ";
        $known = [];
        $hexes = self::hexes($figure);
        foreach ($order->steps() as $step) {
            $where = implode(', ', array_map(static fn (string $id): string => $order->plan->area($id)->name ?? '', $step->areas));
            $known["{$prefix}{$step->id}"] = [
                'figureId' => $figure->id,
                'figure' => $figure->name,
                'runStepId' => null,
                'what' => $step->layers === [] ? $step->words : explode(',', $step->words)[0],
                'where' => $where,
                'hex' => $hexes[$step->layer()->key ?? ''] ?? null,
            ];
        }

        return new self(WorkLags::of($order->order, self::forCopies($order->steps(), $figure->copies), $aid, [], $prefix), $known);
    }

    /** @return array<string, string> colour of the main pot by layer */
    private static function hexes(Figure $figure): array
    {
        $hexes = [];
        foreach ($figure->areasWithFinishes() as $area) {
            foreach (LayerDraft::stackOf($area) as $draft) {
                $hexes[$draft->key] = $draft->mainPot()->thick_hex;
            }
        }

        return $hexes;
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Step>
     */
    private static function forCopies(array $steps, int $copies): array
    {
        return array_map(static fn (Step $s): Step => $s->taking($s->minutes * max(1, $copies)), $steps);
    }

    private static function ofRun(Figure $figure, Run $run, DryingAid $aid): ?self
    {
        try {
            $order = FigureOrder::of($figure);
        } catch (InvalidInput) {
            $order = null;
        }
        $planned = [];
        foreach ($order?->steps() ?? [] as $step) {
            $planned[(string) $step->id] = $step;
        }
        $work = new Work([], []);
        $known = [];
        foreach ($run->steps->groupBy('copy') as $copy => $steps) {
            $prefix = "r{$run->id}c{$copy} ";
            $own = $done = [];
            foreach ($steps as $record) {
                $step = self::step($record, $planned);
                $own[] = $step;
                $known["{$prefix}{$step->id}"] = [
                    'figureId' => $figure->id,
                    'figure' => $figure->name.($record->copy === null ? '' : " {$record->copy}"),
                    'runStepId' => $record->id,
                    'what' => $record->title().($record->technique === null ? ': '.$record->words : ''),
                    'where' => $record->area_name,
                    'hex' => $record->planned_mix === [] ? null : RecordedMix::main($record->planned_mix)['hex'],
                ];
                if ($record->state !== RunStepState::Open) {
                    $done[(string) $step->id] = ($record->done_at?->getTimestamp() ?? 0) / 60;
                }
            }
            $work = $work->with($order === null ? self::chain($own, $done, $prefix) : WorkLags::of($order->order, $own, $aid, $done, $prefix));
        }

        return $work->steps === [] ? null : new self($work, $known);
    }

    /**
     * A step as it was planned when the run began; its layers as the plan has them now.
     *
     * @param  array<string, Step>  $planned
     */
    private static function step(RunStep $record, array $planned): Step
    {
        $known = $planned[$record->step_key ?? ''] ?? null;

        return new Step(
            ($record->is_inserted ? null : StepId::tryParse($record->step_key ?? '')) ?? StepId::inserted((string) $record->id),
            $known->kind ?? $record->kind,
            (string) $record->words,
            areas: $known->areas ?? array_map(strval(...), $record->areaIds()),
            parts: $known->parts ?? array_map(strval(...), $record->partIds()),
            layers: $known->layers ?? [],
            minutes: $record->minutes,
            dryMinutes: $record->drying_minutes,
            makesDust: $known->makesDust ?? $record->kind === StepKind::Prepare,
        );
    }

    /**
     * Where the order cannot be made: one step after the other, each dry before the next.
     *
     * @param  list<Step>  $steps
     * @param  array<string, float|int>  $done
     */
    private static function chain(array $steps, array $done, string $prefix): Work
    {
        $open = array_values(array_filter($steps, static fn (Step $s): bool => ! isset($done[(string) $s->id])));
        $lags = [];
        foreach ($open as $n => $step) {
            if ($n > 0) {
                $lags[] = ["{$prefix}{$open[$n - 1]->id}", "{$prefix}{$step->id}", (float) $open[$n - 1]->dryMinutes, null];
            }
        }

        return new Work(array_map(static fn (Step $s): array => ["{$prefix}{$s->id}", (float) $s->minutes, false], $open), $lags);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\CalculatePaint;
use App\Actions\Bench\PlanSteps;
use App\Actions\Bench\StartRun;
use App\Adapters\Bench\PaintNeed;
use App\Adapters\Bench\RunChanges;
use App\Adapters\Order\Hindrances;
use App\Http\Props\Bench\NextRunProps;
use App\Http\Props\Bench\RunChangesProps;
use App\Http\Props\Bench\RunProps;
use App\Http\Props\Bench\StepWaitProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Finish\RecipeVersionProps;
use App\Http\Props\PotProps;
use App\Http\Requests\LimitRule;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\RecipeVersion;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Bench\BatchMode;
use Hyalin\Finish\Technique;
use Hyalin\Limit;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * Painting: runs, their steps, what was really used.
 */
final class BenchController
{
    public function index(Figure $figure, PlanSteps $plan): Response
    {
        return Inertia::render('bench/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Bench'),
            'runs' => static fn () => array_values($figure->load([
                'runs.steps.pictures',
                'runs.steps.areas',
                'runs.steps.parts',
                'runs.repeats',
            ])->runs->map(static fn (Run $r) => RunProps::of($r))->all()),
            // The runs are there to go on with while the order of the next one is still being planned.
            'plan' => Inertia::defer(static fn (): NextRunProps => NextRunProps::of(count($plan($figure)), Hindrances::of($figure))),
            'versions' => static fn () => array_values($figure->versions->map(static fn (RecipeVersion $v) => RecipeVersionProps::of($v))->all()),
        ]);
    }

    /** @throws ValidationException when there is nothing to paint, or the plan cannot be painted and that was not accepted */
    public function store(Request $request, Figure $figure, StartRun $start): RedirectResponse
    {
        $request->validate(['copies' => ['sometimes', ...LimitRule::of(Limit::FigureCopies)], 'mode' => ['sometimes', Rule::enum(BatchMode::class)], 'knowingly' => ['sometimes', 'boolean']]);
        $isEmpty = $figure->areasWithFinishes()->every(static fn (Area $a): bool => $a->layers->isEmpty());
        $hindrances = $isEmpty ? null : Hindrances::of($figure);
        if ($hindrances !== null && $hindrances->words !== [] && ! $request->boolean('knowingly')) {
            throw ValidationException::withMessages(['plan' => ['This plan cannot be painted as it stands. '.implode(' ', $hindrances->words)]]);
        }
        $run = $start(
            $figure,
            null,
            $request->has('copies') ? $request->integer('copies') : null,
            $request->enum('mode', BatchMode::class) ?? BatchMode::StepByStep,
        ) ?? throw ValidationException::withMessages([
            'figure' => 'No area of this figure has a layer yet: build a finish first.',
        ]);

        return redirect()->route('runs.show', $run);
    }

    /** What was a mistake or a trial is left out; of the rest the painter says which lessons not to keep. */
    public function repeat(Request $request, Run $run, StartRun $start): RedirectResponse
    {
        $request->validate(['copies' => ['sometimes', ...LimitRule::of(Limit::FigureCopies)], 'forget' => ['sometimes', 'array', 'list', 'max:1000'], 'forget.*' => ['integer']]);
        $forget = array_map(intval(...), array_filter($request->array('forget'), is_numeric(...)));
        $run->load(['steps.areas', 'steps.parts'])->setRelation('steps', $run->steps->map(static fn (RunStep $s): ?RunStep => match (true) {
            $s->verdict !== null => null,
            ! in_array($s->id, $forget, true) => $s,
            default => $s->forgotten(),
        })->filter()->values());
        $repeat = $start($run->figure()->firstOrFail(), $run, $request->has('copies') ? $request->integer('copies') : null);

        return redirect()->route('runs.show', $repeat ?? $run);
    }

    public function show(Run $run, CalculatePaint $calculate, PlanSteps $plan, #[CurrentUser] Painter $painter): Response
    {
        $run->load(['figure', 'steps.areas']);
        $run->figure->setRelation('painter', $painter);

        return Inertia::render('bench/run', [
            'figure' => static fn () => FigureProps::of($run->figure, 'Bench'),
            'run' => static fn () => RunProps::of($run),
            // What runs out before the run is done.
            'short' => static fn () => array_values(array_map(
                static fn (PaintNeed $p): string => $p->paint->name,
                array_filter($calculate->pots(CalculatePaint::left($run)), static fn (PaintNeed $p): bool => $p->need->missingMl > 0.0),
            )),
            // A finish may have been changed since the run began.
            'changes' => Inertia::defer(static fn (): RunChangesProps => RunChangesProps::of($run->figure, RunChanges::of($run, $plan($run->figure))), 'changes'),
            'waits' => static fn (): array => StepWaitProps::of($run->loadMissing(['steps.areas', 'steps.parts'])),
            'onMesh' => static fn () => $run->figure->lightStudy()->whereNotNull('result')->exists(),
            'techniques' => array_column(Technique::cases(), 'value'),
            'pots' => static fn () => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
        ]);
    }
}

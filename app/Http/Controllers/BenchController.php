<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\PlanSteps;
use App\Actions\StartRun;
use App\Http\Props\FigureProps;
use App\Http\Props\PotProps;
use App\Http\Props\RunProps;
use App\Models\Figure;
use App\Models\Paint;
use App\Models\Painter;
use App\Models\Run;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
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
            'figure' => FigureProps::of($figure, 'Bench'),
            'runs' => array_values($figure->runs->map(static fn (Run $r) => RunProps::of($r))->all()),
            'plannedSteps' => count($plan($figure)),
        ]);
    }

    /** @throws ValidationException when there is nothing to paint */
    public function store(Figure $figure, StartRun $start): RedirectResponse
    {
        $run = $start($figure) ?? throw ValidationException::withMessages([
            'figure' => 'No area of this figure has a layer yet: build a finish first.',
        ]);

        return redirect()->route('runs.show', $run);
    }

    public function repeat(Run $run, StartRun $start): RedirectResponse
    {
        $repeat = $start($run->figure()->firstOrFail(), $run);

        return redirect()->route('runs.show', $repeat ?? $run);
    }

    public function show(Run $run, #[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('bench/run', [
            'figure' => FigureProps::of($run->figure()->firstOrFail(), 'Bench'),
            'run' => RunProps::of($run),
            'pots' => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
        ]);
    }
}

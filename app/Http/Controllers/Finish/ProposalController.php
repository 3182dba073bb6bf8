<?php

declare(strict_types=1);

namespace App\Http\Controllers\Finish;

use App\Actions\Finish\ProposeFinishes;
use App\Http\Props\Brief\AreaProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Finish\OneMorePotProps;
use App\Http\Props\Finish\ProposalAnswerProps;
use App\Http\Props\PotProps;
use App\Http\Props\TaskProps;
use App\Jobs\ProposeFigure;
use App\Jobs\Turn;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * Finishes proposed for an area, or for the whole figure.
 */
final class ProposalController
{
    public function show(Figure $figure, #[CurrentUser] Painter $painter, ?Area $area = null): Response
    {
        return Inertia::render('proposals/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Finishes'),
            'areas' => static fn () => AreaProps::allOf($figure),
            'areaId' => static fn () => $area?->exists ? $area->id : null,
            'version' => static fn () => $area?->exists ? $area->version : null,
            'pots' => static fn () => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
            // The last one asked for: it runs on, or waits to be chosen from, while its page is closed.
            'search' => static fn () => ($last = Task::query()->where(['figure_id' => $figure->id, 'kind' => TaskKind::Finishes])->where('state', '!=', TaskState::Failed)->latest('id')->first()) === null ? null : TaskProps::of($last),
        ]);
    }

    public function find(Request $request, Figure $figure, Area $area, ProposeFinishes $propose, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['brushOnly' => ['sometimes', 'boolean'], 'only' => ['sometimes', 'nullable', 'array', 'list'], 'only.*' => ['integer']]);

        return new JsonResponse(ProposalAnswerProps::of($figure, $area, $propose->forArea($figure, $area, $painter, $request->boolean('brushOnly'), self::only($request))));
    }

    public function oneMore(Request $request, Figure $figure, Area $area, ProposeFinishes $propose, #[CurrentUser] Painter $painter): JsonResponse
    {
        return new JsonResponse(OneMorePotProps::of($propose->oneMorePot($figure, $area, $painter, $request->boolean('brushOnly'))));
    }

    /**
     * Starts a search for the whole figure in the queue.
     *
     * @throws ValidationException when no area has a colour to match
     */
    public function store(Request $request, Figure $figure, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate([
            'brushOnly' => ['sometimes', 'boolean'],
            'mostPots' => ['nullable', 'integer', 'between:3,60'],
            'only' => ['sometimes', 'nullable', 'array', 'list'],
            'only.*' => ['integer'],
        ]);
        // Told at once: the queue would only fail.
        if ($figure->areas()->whereHas('samples')->doesntExist()) {
            throw ValidationException::withMessages(['figure' => 'No area of this figure has a colour to match yet: take some from a reference first.']);
        }
        $task = Task::ask(TaskKind::Finishes, $painter->id, $figure->id, [
            'brushOnly' => $request->boolean('brushOnly'),
            'mostPots' => $request->filled('mostPots') ? $request->integer('mostPots') : null,
            'only' => self::only($request),
        ]);
        ProposeFigure::dispatch($task)->onQueue(Turn::of($task));

        return new JsonResponse(TaskProps::of($task), JsonResponse::HTTP_ACCEPTED);
    }

    /** @return list<int>|null ids of the pots to use; null for any */
    private static function only(Request $request): ?array
    {
        return $request->filled('only') ? array_values(array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $request->array('only'))) : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers\Finish;

use App\Actions\Finish\SuggestForLayer;
use App\Adapters\Finish\LayerQuestion;
use App\Http\Props\Finish\MixAnswerProps;
use App\Http\Props\Finish\SuggestionsProps;
use App\Http\Props\TaskProps;
use App\Http\Requests\Finish\MixFinderRequest;
use App\Http\Requests\Finish\SuggestionsRequest;
use App\Jobs\ProveMix;
use App\Jobs\Turn;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Task;
use App\Models\TaskKind;
use Hyalin\Mixing\ExhaustiveMixSearch;
use Hyalin\Mixing\MixSearch;
use Hyalin\Mixing\ZonesMixSearch;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;

/**
 * The mix finder: an answer at once, and a proof on request.
 */
final class MixController
{
    public function find(MixFinderRequest $request, Figure $figure, Area $area, #[CurrentUser] Painter $painter): JsonResponse
    {
        $wanted = $request->mixRequest($figure, $area, $painter);
        $answer = count($wanted->zones) > 1
            ? ZonesMixSearch::find($wanted->optics, $wanted->zones)
            : MixSearch::provingUpTo(config()->integer('hyalin.prove_at_once'))->find($wanted->optics, $wanted->task);

        return new JsonResponse(MixAnswerProps::of(
            $wanted,
            $answer,
            ExhaustiveMixSearch::size(count($wanted->pots), $wanted->task),
        ));
    }

    /** Other coats, other undercoats, a ramp from the mix. */
    public function advise(SuggestionsRequest $request, Figure $figure, Area $area, SuggestForLayer $suggest, #[CurrentUser] Painter $painter): JsonResponse
    {
        $drafts = $request->drafts($painter);
        if (! isset($drafts[$request->integer('index')])) {
            throw ValidationException::withMessages(['index' => 'There is no such layer.']);
        }
        $hasTarget = $request->filled('targetHex') || $area->samples->firstWhere('zone', $request->zone()) !== null;

        $asked = new LayerQuestion($drafts, $request->integer('index'), $request->zone(), $hasTarget ? $request->target($area) : null, $request->contrast(), $request->drift());

        return new JsonResponse(SuggestionsProps::of($suggest($figure, $area, $painter, $asked)));
    }

    /** Starts a search to the end in the queue. */
    public function prove(MixFinderRequest $request, Figure $figure, Area $area, #[CurrentUser] Painter $painter): JsonResponse
    {
        // Asked once here, so that a request that cannot be searched for is refused before it waits.
        $request->mixRequest($figure, $area, $painter);
        $task = Task::ask(TaskKind::Proof, $painter->id, $figure->id, [...$request->validated(), 'areaId' => $area->id]);
        ProveMix::dispatch($task)->onQueue(Turn::of($task));

        return new JsonResponse(TaskProps::of($task), JsonResponse::HTTP_ACCEPTED);
    }
}

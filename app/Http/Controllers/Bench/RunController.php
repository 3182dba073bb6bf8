<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\FollowPlan;
use App\Actions\Bench\InsertStep;
use App\Actions\Bench\TakePaintFromPots;
use App\Actions\References\AddPicture;
use App\Actions\SaveVersioned;
use App\Adapters\Bench\AidedDrying;
use App\Adapters\Bench\StepCup;
use App\Http\Props\Bench\RunStepProps;
use App\Http\Requests\ArrivedPicture;
use App\Http\Requests\Bench\AskedRepair;
use App\Http\Requests\Bench\RunStepRequest;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Painter;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * The record of a run: what really happened, stored the moment it happens.
 */
final class RunController
{
    public function updateStep(RunStepRequest $request, Run $run, RunStep $step, SaveVersioned $save, TakePaintFromPots $take, AidedDrying $drying, #[CurrentUser] Painter $painter): JsonResponse
    {
        $show = static fn (RunStep $s): RunStepProps => RunStepProps::one($s);
        $save(
            $painter->id,
            $step,
            $request->integer('version'),
            $request->validated(),
            static function (RunStep $step) use ($request, $painter, $take, $drying): void {
                $request->applyTo($step, $painter);
                self::useCup($step);
                $drying->keep($step);
                $take($step);
            },
            $show,
        );
        $run->finished_at = $run->steps()->where('state', RunStepState::Open)->exists() ? null : ($run->finished_at ?? now());
        $run->save();

        return new JsonResponse($show($step));
    }

    /** Records the cup as used, unless the painter said otherwise. */
    private static function useCup(RunStep $step): void
    {
        $cup = $step->state === RunStepState::Done && $step->used_mix === null ? StepCup::of($step->load('cups.entries.paint')) : null;
        if ($cup !== null && ! $cup->isAsPlanned($step)) {
            $step->used_mix = $cup->recorded();
        }
    }

    /** Takes over what has changed in the plan since the run began. */
    public function follow(Run $run, FollowPlan $follow): JsonResponse
    {
        $count = $follow($run);

        return new JsonResponse(['message' => $count === 0 ? 'The plan has not changed.' : "Changed: {$count}."]);
    }

    /** @throws ValidationException when it stands nowhere, or says nothing */
    public function insertStep(Request $request, Run $run, InsertStep $insert, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate([
            'after' => ['required', 'integer', 'between:0,'.$run->steps()->count()],
            'words' => ['required_without:againId', 'nullable', 'string', 'max:300'],
            'minutes' => ['sometimes', 'integer', 'between:0,600'],
            'againId' => ['sometimes', 'integer'],
            ...AskedRepair::rules(),
        ], ['words.required_without' => 'Enter what is to be done.']);
        $again = $request->filled('againId')
            ? $run->steps()->find($request->integer('againId')) ?? throw ValidationException::withMessages(['againId' => 'This step belongs to another run.'])
            : null;
        $step = $insert($run, $request->integer('after'), $request->string('words')->trim()->value(), $request->integer('minutes', $again->minutes ?? 10), $again, AskedRepair::of($request, $run, $painter));

        return new JsonResponse(RunStepProps::one($step), JsonResponse::HTTP_CREATED);
    }

    /** @throws ValidationException when it is no picture */
    public function photograph(Request $request, Run $run, RunStep $step, AddPicture $hang): JsonResponse
    {
        $figure = $run->figure()->firstOrFail();
        $picture = $hang($figure, ArrivedPicture::of($request, 'picture'), "Run {$run->number}, step {$step->position}: {$step->area_name}", PictureKind::OwnPiece);
        Picture::query()->whereKey($picture->id)->update(['run_step_id' => $step->id]);

        return new JsonResponse(RunStepProps::one($step->refresh()), JsonResponse::HTTP_CREATED);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Http\Middleware\IdempotentRequests;
use App\Http\Props\Home\TrayItemProps;
use App\Models\Bench\Run;
use App\Models\Bench\Timer;
use App\Models\Painter;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * Moments the painter waits for.
 */
final class TimerController
{
    /** @throws ValidationException when it names another's run */
    public function store(Request $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate([
            'key' => ['required', 'string', 'regex:'.IdempotentRequests::KEY],
            'what' => ['required', 'string', 'max:80'],
            'minutes' => ['required', 'integer', 'between:1,20160'],
            'runId' => ['nullable', 'integer'],
        ]);
        $run = $request->filled('runId') ? Run::query()->where('painter_id', $painter->id)->find($request->integer('runId')) : null;
        if ($request->filled('runId') && $run === null) {
            throw ValidationException::withMessages(['runId' => 'This run is not one of yours.']);
        }
        $timer = $painter->timers()->where('key', $request->string('key')->value())->first();
        if ($timer === null) {
            $timer = new Timer([
                'key' => $request->string('key')->value(),
                'what' => $request->string('what')->trim()->value(),
                'ends_at' => now()->addMinutes($request->integer('minutes')),
                'run_id' => $run?->id,
            ]);
            $timer->painter_id = $painter->id;
            $timer->save();
        }

        return new JsonResponse(TrayItemProps::timer($timer), JsonResponse::HTTP_CREATED);
    }

    public function destroy(Timer $timer): JsonResponse
    {
        $timer->update(['stopped_at' => now()]);

        return new JsonResponse(['message' => 'Stopped.']);
    }
}

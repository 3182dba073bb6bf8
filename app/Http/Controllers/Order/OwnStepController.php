<?php

declare(strict_types=1);

namespace App\Http\Controllers\Order;

use App\Actions\RefuseOverwriting;
use App\Adapters\Order\WorkPlan;
use App\Http\Requests\LimitRule;
use App\Models\Brief\Figure;
use App\Models\Order\OwnStep;
use Hyalin\InvalidInput;
use Hyalin\Limit;
use Hyalin\Order\OrderPlanner;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * Work that no rule of the trade plans.
 */
final class OwnStepController
{
    /** @throws ValidationException when what it follows also waits for it */
    public function store(Request $request, Figure $figure): JsonResponse
    {
        $step = new OwnStep(['key' => Str::ulid()->toBase32()]);

        return new JsonResponse(['id' => $this->save($request, $figure, $step)->id], JsonResponse::HTTP_CREATED);
    }

    /** @throws ValidationException when what it follows also waits for it */
    public function update(Request $request, Figure $figure, OwnStep $ownStep, RefuseOverwriting $refuse): JsonResponse
    {
        $request->validate(['seen' => ['required', 'string', 'max:64']]);
        $refuse($figure->painter_id, $ownStep, $request->string('seen')->value(), $ownStep->seen(), ['words' => $request->string('words')->value(), 'minutes' => $request->integer('minutes'), 'caution' => $request->string('caution')->value()]);

        return new JsonResponse(['id' => $this->save($request, $figure, $ownStep)->id]);
    }

    public function destroy(Figure $figure, OwnStep $ownStep): JsonResponse
    {
        $ownStep->delete();

        return new JsonResponse(['message' => 'The step was removed.']);
    }

    private function save(Request $request, Figure $figure, OwnStep $step): OwnStep
    {
        $request->validate([
            'words' => ['required', 'string', 'max:300'],
            'partId' => ['nullable', 'integer', Rule::exists('parts', 'id')->where('figure_id', $figure->id)],
            'tool' => ['nullable', 'string', 'max:60'],
            'minutes' => ['required', ...LimitRule::of(Limit::OwnStepMinutes)],
            'dryMinutes' => ['sometimes', ...LimitRule::of(Limit::OwnStepDryMinutes)],
            'caution' => ['nullable', 'string', 'max:300'],
            'after' => ['nullable', 'string', 'max:80', 'different:before'],
            'before' => ['nullable', 'string', 'max:80'],
        ], ['words.required' => 'Enter what is to be done.', 'after.different' => 'It cannot come before and after the same step.']);
        $step->fill([
            'words' => $request->string('words')->trim()->value(),
            'part_id' => $request->filled('partId') ? $request->integer('partId') : null,
            'tool' => $request->filled('tool') ? $request->string('tool')->trim()->value() : null,
            'minutes' => $request->integer('minutes'),
            'dry_minutes' => $request->integer('dryMinutes'),
            'caution' => $request->filled('caution') ? $request->string('caution')->trim()->value() : null,
            'after' => $request->filled('after') ? $request->string('after')->value() : null,
            'before' => $request->filled('before') ? $request->string('before')->value() : null,
        ]);
        try {
            return DB::transaction(static function () use ($figure, $step): OwnStep {
                $figure->ownSteps()->save($step);
                OrderPlanner::judge(WorkPlan::of($figure->unsetRelation('ownSteps')), []);

                return $step;
            });
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['after' => ucfirst($e->getMessage()).'. The step was not saved.']);
        }
    }
}

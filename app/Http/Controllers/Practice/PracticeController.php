<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\ScoreAnswer;
use App\Actions\Practice\SetTask;
use App\Http\Props\ColourProps;
use App\Http\Props\Practice\ExerciseProps;
use App\Http\Props\Practice\RoundProps;
use App\Models\Painter;
use App\Models\Practice\Exercise;
use App\Models\Practice\PracticeRound;
use Hyalin\InvalidInput;
use Hyalin\Training\MixGuess;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The practice room: exercises for eye and hand on one's own shelf.
 */
final class PracticeController
{
    public function show(#[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('practice/index', ['exercises' => static fn () => ExerciseProps::allOf($painter)]);
    }

    /** @throws ValidationException when the shelf has too few pots for it */
    public function ask(Request $request, SetTask $set, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['exercise' => ['required', Rule::enum(Exercise::class)]]);
        try {
            $round = $set($painter, $request->enum('exercise', Exercise::class) ?? Exercise::Lighter);
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['exercise' => ucfirst($e->getMessage()).'.']);
        }

        return new JsonResponse(RoundProps::of($round, $painter), JsonResponse::HTTP_CREATED);
    }

    /** The colour of the cup. */
    public function cup(Request $request, PracticeRound $practiceRound, #[CurrentUser] Painter $painter): JsonResponse
    {
        $added = $this->numbers($request, 'added', MixGuess::MOST_DROPS);
        try {
            $colour = ScoreAnswer::guess($practiceRound, $painter)->colour(array_count_values(array_map(static fn (int $id): string => "pot {$id}", $added)));
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['added' => ucfirst($e->getMessage()).'.']);
        }

        return new JsonResponse(ColourProps::of($colour));
    }

    /** @throws ValidationException when it is no answer to this task */
    public function answer(Request $request, PracticeRound $practiceRound, ScoreAnswer $score, #[CurrentUser] Painter $painter): JsonResponse
    {
        try {
            return new JsonResponse(RoundProps::of($score($practiceRound, $this->numbers($request, 'answer', MixGuess::MOST_DROPS), $painter), $painter));
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['answer' => ucfirst($e->getMessage()).'.']);
        }
    }

    /** @return list<int> */
    private function numbers(Request $request, string $name, int $most): array
    {
        $request->validate([$name => ['present', 'array', 'list', "max:{$most}"], "{$name}.*" => ['integer', 'min:0']]);

        return array_values(array_map(static fn (mixed $v): int => is_numeric($v) ? (int) $v : 0, $request->array($name)));
    }
}

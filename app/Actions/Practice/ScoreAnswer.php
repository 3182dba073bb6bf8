<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Models\Painter;
use App\Models\Practice\Exercise;
use App\Models\Practice\PracticeRound;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Lab;
use Hyalin\InvalidInput;
use Hyalin\Training\Fold;
use Hyalin\Training\InvalidTask;
use Hyalin\Training\MixGuess;
use Hyalin\Training\RankOrder;

/**
 * How well a task was answered. Answered once; a second answer changes nothing.
 *
 * @phpstan-type Task array{pots?: list<array{id: int, name: string, lab: list<float>}>, potIds?: list<int>, drops?: array<string, int>, target?: list<float>, light?: list<float>, right?: int}
 */
final class ScoreAnswer
{
    /**
     * @param  list<int>  $answer  the lighter one; places from dark to light; ids of pots drop by drop; pieces; the strip
     *
     * @throws InvalidInput when it is none to this task
     */
    public function __invoke(PracticeRound $round, array $answer, Painter $painter): PracticeRound
    {
        if ($round->score !== null) {
            return $round;
        }
        /** @var Task $task written by SetTask */
        $task = $round->task;
        $more = [];
        $score = match ($round->exercise) {
            Exercise::Lighter => self::lighter($task, $answer[0] ?? -1),
            Exercise::Order => self::order($task, $answer),
            Exercise::Light => Fold::score($answer, $task['light'] ?? []),
            Exercise::Wash => ($answer[0] ?? -1) === ($task['right'] ?? null) ? 1.0 : 0.0,
            Exercise::Mix => 0.0,
        };
        if ($round->exercise === Exercise::Mix) {
            $more['trail'] = self::guess($round, $painter)->trail(array_map(static fn (int $id): string => "pot {$id}", $answer), Lab::of(...self::target($task)));
            $score = $more['trail'] === [] ? 0.0 : MixGuess::score($more['trail'][count($more['trail']) - 1]);
        }
        $round->update(['answer' => ['given' => $answer, ...$more], 'score' => $score]);

        return $round;
    }

    public static function guess(PracticeRound $round, Painter $painter): MixGuess
    {
        /** @var Task $task written by SetTask */
        $task = $round->task;

        // A pot that was thrown away since behaves as it did.
        return SetTask::guess(array_values(Paint::withTrashed()->where('painter_id', $painter->id)->whereKey($task['potIds'] ?? [])->get()->all()));
    }

    /**
     * @param  Task  $task
     * @return array{float, float, float}
     */
    private static function target(array $task): array
    {
        [$l, $a, $b] = [...($task['target'] ?? []), 0.0, 0.0, 0.0];

        return [$l, $a, $b];
    }

    /**
     * @param  Task  $task
     * @param  list<int>  $answer
     *
     * @throws InvalidTask when it is no order of all of them
     */
    private static function order(array $task, array $answer): float
    {
        $pots = $task['pots'] ?? [];
        $places = $answer;
        sort($places);
        if ($places !== array_keys($pots)) {
            throw InvalidTask::noOrder(count($pots));
        }

        return RankOrder::score(array_map(static fn (int $place): float => $pots[$place]['lab'][0], $answer));
    }

    /** @param  Task  $task */
    private static function lighter(array $task, int $place): float
    {
        $lightness = array_map(static fn (array $pot): float => $pot['lab'][0], $task['pots'] ?? []);

        return isset($lightness[$place]) && $lightness[$place] === max($lightness) ? 1.0 : 0.0;
    }
}

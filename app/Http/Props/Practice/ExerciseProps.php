<?php

declare(strict_types=1);

namespace App\Http\Props\Practice;

use App\Models\Painter;
use App\Models\Practice\Exercise;
use App\Models\Practice\PracticeRound;
use Illuminate\Support\Collection;

/**
 * An exercise, and how its painter does.
 */
final readonly class ExerciseProps
{
    private const LATEST = 20;

    /** Rounds about one thing from which on it can be called weak. */
    private const ENOUGH = 3;

    /**
     * @param  float|null  $recent  mean score of the last rounds, 0..1
     * @param  float|null  $level  L* apart that is told at seven of ten; null where an exercise has no level, or no rounds yet
     * @param  string|null  $weak  what goes worst, of what was asked several times
     */
    public function __construct(public string $key, public string $title, public string $about, public int $rounds, public ?float $recent, public ?float $level, public ?string $weak)
    {
    }

    /** @return list<self> */
    public static function allOf(Painter $painter): array
    {
        $rounds = PracticeRound::query()->where('painter_id', $painter->id)->whereNotNull('score')->orderByDesc('id')->limit(1000)->get(['id', 'exercise', 'subject', 'level', 'score']);

        return array_map(static fn (Exercise $e): self => self::of($e, $rounds->filter(static fn (PracticeRound $r): bool => $r->exercise === $e)->values()), Exercise::cases());
    }

    /** @param  Collection<int, PracticeRound>  $rounds  the newest first */
    private static function of(Exercise $exercise, Collection $rounds): self
    {
        $score = static fn (PracticeRound $r): float => (float) $r->score;
        $bySubject = $rounds->groupBy('subject')->filter(static fn (Collection $of): bool => $of->count() >= self::ENOUGH)->map(static fn (Collection $of): float => (float) $of->avg($score))->sort();
        $weak = $bySubject->first();
        $recent = $rounds->take(self::LATEST);

        return new self(
            $exercise->value,
            $exercise->title(),
            $exercise->about(),
            $rounds->count(),
            $recent->isEmpty() ? null : (float) $recent->avg($score),
            in_array($exercise, [Exercise::Lighter, Exercise::Order], true) ? $rounds->first()?->level : null,
            $weak !== null && $weak < 0.7 ? (string) $bySubject->keys()->first() : null,
        );
    }
}

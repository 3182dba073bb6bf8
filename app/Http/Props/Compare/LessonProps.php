<?php

declare(strict_types=1);

namespace App\Http\Props\Compare;

use App\Models\Brief\Figure;
use App\Models\Compare\LessonRecord;

/**
 * A lesson from a photo about pots and techniques together.
 */
final readonly class LessonProps
{
    /** @param  list<string>  $words  of each pot and technique */
    public function __construct(public int $id, public array $words, public bool $isUndone)
    {
    }

    public static function of(LessonRecord $lesson): self
    {
        return new self($lesson->id, $lesson->words, $lesson->undone_at !== null);
    }

    /** @return list<self> of a figure, the latest first */
    public static function allOf(Figure $figure): array
    {
        return array_values(LessonRecord::query()->where('figure_id', $figure->id)->whereNull('undone_at')->orderByDesc('id')->get()->map(static fn (LessonRecord $l): self => self::of($l))->all());
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\TaskState;

/**
 * How a task ended.
 */
final readonly class TaskEnd
{
    /** @param  array<string, mixed>|null  $result  of a search; null where the work itself is what is left */
    private function __construct(public TaskState $state, public ?array $result, public ?string $problem = null)
    {
    }

    /** @param  array<string, mixed>|null  $result */
    public static function done(?array $result = null): self
    {
        return new self(TaskState::Done, $result);
    }

    /** @param  object  $found  props of what a search found, all there is to find or what it had until it was stopped */
    public static function found(object $found, bool $isWhole): self
    {
        return new self($isWhole ? TaskState::Done : TaskState::Stopped, array_filter(get_object_vars($found), is_string(...), ARRAY_FILTER_USE_KEY));
    }

    /** @param  string  $question  to the painter */
    public static function asking(string $question): self
    {
        return new self(TaskState::Asks, null, $question);
    }
}

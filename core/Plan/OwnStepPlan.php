<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Work that no rule of the trade plans: bending, grout, basing, a wire, a lamp.
 */
final readonly class OwnStepPlan
{
    /**
     * @param  string  $key  stays with the step through every edit
     * @param  string|null  $part  id; null for the whole figure
     * @param  int  $minutes  hands on
     * @param  int  $dryMinutes  until something may follow
     * @param  StepId|null  $after  what must come before it
     * @param  StepId|null  $before  what must come after it
     */
    public function __construct(
        public string $key,
        public string $words,
        public ?string $part,
        public ?string $tool,
        public int $minutes,
        public int $dryMinutes,
        public ?string $caution = null,
        public ?StepId $after = null,
        public ?StepId $before = null,
    ) {
    }
}

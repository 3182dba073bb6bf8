<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * One step before another, and why.
 */
final readonly class Constraint
{
    /**
     * @param  float|null  $weight  minutes it is worth; null when it must be
     * @param  string  $rule  by its short name
     * @param  string  $reason  in a sentence a painter would say
     * @param  string|null  $area  id of the one it is about, or key of a step of their own, where the painter said something of it
     */
    private function __construct(public StepId $before, public StepId $after, public ?float $weight, public string $rule, public string $reason, public ?string $area = null)
    {
    }

    /** @param  string|null  $area  id of the one it is about, or key of a step of their own, where the painter said something of it */
    public static function must(StepId $before, StepId $after, string $rule, string $reason, ?string $area = null): self
    {
        return new self($before, $after, null, $rule, $reason, $area);
    }

    /** @param  float  $weight  minutes that it is worth */
    public static function should(StepId $before, StepId $after, float $weight, string $rule, string $reason): self
    {
        return new self($before, $after, $weight, $rule, $reason);
    }

    public function isMust(): bool
    {
        return $this->weight === null;
    }
}

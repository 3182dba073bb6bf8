<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Plan\Constraint;

/**
 * A preference that an order does not meet, wherever it does not.
 */
final readonly class UnmetProps
{
    /**
     * @param  float  $minutes  they are worth together: an estimate
     * @param  list<array{before: string, after: string, reason: string}>  $cases  what costs most first
     */
    private function __construct(public string $rule, public float $minutes, public array $cases)
    {
    }

    /** @param  list<Constraint>  $constraints */
    public static function of(string $rule, array $constraints): self
    {
        usort($constraints, static fn (Constraint $p, Constraint $q): int => $q->weight <=> $p->weight);

        return new self(
            $rule,
            array_sum(array_map(static fn (Constraint $c): float => $c->weight ?? 0.0, $constraints)),
            array_map(static fn (Constraint $c): array => ['before' => (string) $c->before, 'after' => (string) $c->after, 'reason' => $c->reason], $constraints),
        );
    }
}

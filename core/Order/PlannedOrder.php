<?php

declare(strict_types=1);

namespace Hyalin\Order;

use Hyalin\Order\Checks\Issue;
use Hyalin\Order\Masking\MaskPlan;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\Step;

/**
 * Steps in an order, with what it costs and which rules it keeps.
 */
final readonly class PlannedOrder
{
    /**
     * @param  list<Step>  $steps
     * @param  list<Constraint>  $constraints  all of them
     * @param  list<Constraint>  $broken  those this order does not keep
     * @param  list<MaskPlan>  $masks
     * @param  list<Issue>  $issues
     */
    public function __construct(public array $steps, public array $constraints, public array $broken, public array $masks, public array $issues)
    {
    }

    /** @return float minutes of putting masks on: an estimate */
    public function maskMinutes(): float
    {
        return array_sum(array_map(static fn (MaskPlan $m): float => $m->minutes, $this->masks));
    }

    /** @return float mm of tape edge over all masks */
    public function maskMm(): float
    {
        return array_sum(array_map(static fn (MaskPlan $m): float => $m->borderMm(), $this->masks));
    }

    /** @return float mm of these that nobody has measured */
    public function estimatedMm(): float
    {
        return array_sum(array_map(static fn (MaskPlan $m): float => $m->estimatedMm, $this->masks));
    }

    /** @return array<string, list<Constraint>> preferences that are not met, by rule; what costs most comes first */
    public function unmet(): array
    {
        $by = [];
        foreach ($this->broken as $constraint) {
            if (! $constraint->isMust()) {
                $by[$constraint->rule][] = $constraint;
            }
        }
        uasort($by, static fn (array $p, array $q): int => self::weight($q) <=> self::weight($p));

        return $by;
    }

    /**
     * @param  list<Constraint>  $constraints
     * @return float minutes they are worth together
     */
    public static function weight(array $constraints): float
    {
        return array_sum(array_map(static fn (Constraint $c): float => $c->weight ?? 0.0, $constraints));
    }

    /** @return float minutes of masking and of preferences not kept */
    public function cost(): float
    {
        return $this->maskMinutes() + self::weight($this->broken);
    }

    public function canBePainted(): bool
    {
        foreach ($this->broken as $constraint) {
            if ($constraint->isMust()) {
                return false;
            }
        }
        foreach ($this->issues as $issue) {
            if ($issue->stops) {
                return false;
            }
        }

        return true;
    }
}

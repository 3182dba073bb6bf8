<?php

declare(strict_types=1);

namespace App\Adapters\Order;

use App\Models\Brief\Figure;
use Hyalin\InvalidInput;
use Hyalin\Order\OrderPlanner;
use Hyalin\Order\PlannedOrder;
use Hyalin\Order\WorkSteps;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;

/**
 * The order a figure is painted in: the painter's own where there is one, the planned one otherwise.
 */
final readonly class FigureOrder
{
    private function __construct(public FigurePlan $plan, public PlannedOrder $order)
    {
    }

    /** An order that was made already. */
    public static function from(FigurePlan $plan, PlannedOrder $order): self
    {
        return new self($plan, $order);
    }

    /** @throws InvalidInput when the figure cannot be built so, or rules run in a circle */
    public static function of(Figure $figure): self
    {
        $plan = WorkPlan::of($figure);

        return new self($plan, $figure->own_order === null ? OrderPlanner::plan($plan) : OrderPlanner::judge($plan, $figure->own_order));
    }

    /** @return list<Step> masks and peels as steps of their own */
    public function steps(): array
    {
        return WorkSteps::of($this->plan, $this->order);
    }

    /** @return int|null longest minutes a mask that this step puts on may stay; of one that takes it off, after the last spray */
    public function mostMinutes(Step $step): ?int
    {
        foreach ($this->order->masks as $mask) {
            if ($step->id->equals($mask->on())) {
                return $mask->mostMinutes;
            }
            if ($step->id->equals($mask->off())) {
                return $mask->peelMinutes;
            }
        }

        return null;
    }
}

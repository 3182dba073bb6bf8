<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;

/**
 * A rule of the trade: looks at the plan and says which step goes before which, with its reason. Adding one: a class here,
 * its line in RuleBook, a scenario in tests/Core/Order.
 */
interface Rule
{
    /**
     * @param  list<Step>  $steps
     * @return iterable<Constraint>
     */
    public function constraints(FigurePlan $figure, array $steps): iterable;
}

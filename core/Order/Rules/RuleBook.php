<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;

/**
 * All rules of the trade, and the painter's own.
 */
final class RuleBook
{
    /** @return list<Rule> */
    public static function rules(): array
    {
        return [new PrepareFirst, new StackOrder, new Assembly, new InsideFirst, new SprayBeforeBrush, new Metal, new LastThings, new OwnSteps];
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Constraint> at most one of each rule between two steps
     */
    public static function constraints(FigurePlan $figure, array $steps): array
    {
        $ids = array_flip(array_map(static fn (Step $s): string => (string) $s->id, $steps));
        $found = [];
        foreach (self::rules() as $rule) {
            foreach ($rule->constraints($figure, $steps) as $constraint) {
                $found["{$constraint->before}\n{$constraint->after}\n{$constraint->rule}"] ??= $constraint;
            }
        }
        foreach ($figure->own as $constraint) {
            // A rule about a layer that no longer exists has nothing to say.
            if (isset($ids[(string) $constraint->before], $ids[(string) $constraint->after])) {
                $found[] = $constraint;
            }
        }

        return array_values($found);
    }
}

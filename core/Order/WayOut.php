<?php

declare(strict_types=1);

namespace Hyalin\Order;

use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;

/**
 * One thing to give up so that rules no longer run in a circle.
 */
final readonly class WayOut
{
    /**
     * @param  string  $subject  the step before, the id of the area, or the key of a step of one's own
     * @param  string|null  $other  the step after, where it is a rule between two
     */
    private function __construct(public Alterable $what, public string $subject, public ?string $other, public string $words)
    {
    }

    /** @return self|null null for a rule that no painter can change */
    public static function of(FigurePlan $figure, Constraint $rule): ?self
    {
        $area = $figure->area($rule->area ?? '');
        $carrier = $figure->area($area->liesOn ?? '');

        return match (true) {
            $rule->rule === 'own rule' => new self(Alterable::OwnRule, (string) $rule->before, (string) $rule->after, "remove your own rule \"{$rule->reason}\""),
            $rule->rule === 'own step' => new self(Alterable::OwnStep, (string) $rule->area, null, 'say that your own step may come at any time'),
            $rule->rule === 'base last' => new self(Alterable::BaseApart, '', null, 'glue figure and base together first'),
            $rule->rule === 'hidden before glue' && $area !== null => new self(Alterable::Hidden, $area->id, null, "say that no joint hides {$area->name}"),
            $rule->rule === 'what it lies on first' && $area !== null && $carrier !== null => new self(Alterable::LiesOn, $area->id, null, "say that {$area->name} does not lie on {$carrier->name}"),
            default => null,
        };
    }
}

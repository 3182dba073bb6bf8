<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\StepId;

/**
 * The order that the painter stated for a step of their own: the steps before it, and those that wait for it.
 */
final class OwnSteps implements Rule
{
    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        $ids = array_flip(array_map(static fn ($s): string => (string) $s->id, $steps));
        foreach ($figure->ownSteps as $own) {
            $id = StepId::own($own->key);
            if ($own->after !== null && isset($ids[(string) $own->after])) {
                yield Constraint::must($own->after, $id, 'own step', "you said what \"{$own->words}\" follows", $own->key);
            }
            if ($own->before !== null && isset($ids[(string) $own->before])) {
                yield Constraint::must($id, $own->before, 'own step', "you said what follows \"{$own->words}\"", $own->key);
            }
        }
    }
}

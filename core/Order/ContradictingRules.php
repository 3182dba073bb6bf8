<?php

declare(strict_types=1);

namespace Hyalin\Order;

use Hyalin\InvalidInput;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;

/**
 * Hard rules that run in a circle: no order keeps them all. Says the round with its areas, and what could be given up.
 */
final class ContradictingRules extends InvalidInput
{
    /**
     * @param  non-empty-list<array{Step, Constraint}>  $links  each step with the rule that puts it before the next, the last before the first
     * @param  list<WayOut>  $waysOut  the smallest change first; empty when nothing that can be changed is part of it
     */
    private function __construct(string $message, public readonly array $links, public readonly array $waysOut)
    {
        parent::__construct($message);
    }

    /** @param  non-empty-list<array{Step, Constraint}>  $links */
    public static function round(FigurePlan $figure, array $links): self
    {
        $names = array_map(static fn (array $link): string => '"'.self::words($figure, $link[0]).'"', $links);
        $ways = [];
        foreach ($links as [, $rule]) {
            $way = WayOut::of($figure, $rule);
            if ($way !== null) {
                $ways["{$way->what->value} {$way->subject} {$way->other}"] = $way;
            }
        }
        uasort($ways, static fn (WayOut $p, WayOut $q): int => $p->what->size() <=> $q->what->size());
        $ways = array_values($ways);
        $remedy = $ways === [] ? '' : ". A way out: {$ways[0]->words}";

        return new self('these rules contradict each other: '.implode(' before ', [...$names, $names[0]]).$remedy, $links, $ways);
    }

    /** @return string with its areas: a technique alone names no step */
    public static function words(FigurePlan $figure, Step $step): string
    {
        $areas = array_map(static fn (string $id): string => $figure->area($id)->name ?? $id, $step->areas);

        return $areas === [] ? $step->words : implode(', ', $areas).": {$step->words}";
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Plan;

use Hyalin\InvalidInput;

/**
 * An order of work that cannot be, or is not said clearly.
 */
final class InvalidPlan extends InvalidInput
{
    public static function unknown(string $id, string $where): self
    {
        return new self("{$where} names \"{$id}\", which is none of the areas");
    }

    public static function noStep(string $words): self
    {
        return new self("\"{$words}\" names no step");
    }

    public static function twice(string $id): self
    {
        return new self("the area \"{$id}\" is given twice");
    }

    public static function withItself(string $id, string $where): self
    {
        return new self("{$where} joins \"{$id}\" with itself");
    }

    public static function disagree(string $a, string $b): self
    {
        return new self("the boundary of \"{$a}\" and \"{$b}\" is given twice and differs");
    }

    /**
     * @param  string  $where  step or rule, and what of it
     */
    public static function amount(string $where, float $found): self
    {
        return new self("{$where} is {$found}; it must be a number of 0 or more");
    }

    /** @param  non-empty-list<string>  $round  each before the next, the last before the first */
    public static function cycle(array $round): self
    {
        return new self('these rules contradict each other: '.implode(' before ', array_map(static fn (string $id): string => "\"{$id}\"", [...$round, $round[0]])));
    }

    public static function onNoPart(string $area): self
    {
        return new self("the area \"{$area}\" is on no part: set its part in the brief");
    }

    public static function empty(): self
    {
        return new self('there is no area to put in order');
    }
}

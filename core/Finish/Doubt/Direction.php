<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

/**
 * One independent way in which a finish may come out otherwise, and what a standard deviation of it does to its zones.
 */
final readonly class Direction
{
    /**
     * @param  string  $way  which of the ways that its cause has: a direction of a pot's spread, thickness or coverage of a hand
     * @param  array<string, array{float, float, float}>  $errors  in L*, a*, b*, by zone
     */
    public function __construct(public Cause $cause, public string $way, public array $errors)
    {
    }

    /** @return string the same in every finish that the pot or the hand is in */
    public function key(): string
    {
        return "{$this->cause->key}, {$this->way}";
    }
}

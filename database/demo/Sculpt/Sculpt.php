<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

/**
 * A figure of the demo as it was sculpted, by part.
 */
interface Sculpt
{
    /** @return array<string, Body> by name of the part */
    public function parts(): array;

    /** @return float mm between the points that its print files are made of, where they are fine */
    public function cell(): float;

    /** @return array<string, array{string, string, string, string, string}> #rrggbb from recess to edge, by area, as its sculptor painted it */
    public function ramps(): array;
}

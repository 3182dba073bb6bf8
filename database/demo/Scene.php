<?php

declare(strict_types=1);

namespace Database\Demo;

/**
 * A figure of the demo as solids, each belonging to an area.
 */
interface Scene
{
    /**
     * @return array{float, string} distance to the nearest surface in scene units, and its area
     */
    public function distance(float $x, float $y, float $z): array;

    /** @return array<string, array{string, string, string, string, string}> #rrggbb from recess to edge, by area */
    public function ramps(): array;

    /** @return array{float, float, float, float} left, right, bottom, top of what is in the picture */
    public function window(): array;
}

<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

use Closure;

/**
 * One printed part as a solid, each place of it belonging to an area. Millimetres, z up; figures look towards -y.
 */
final readonly class Body
{
    /**
     * @param  array{float, float, float}  $least  corner of what it lies in
     * @param  array{float, float, float}  $most
     * @param  list<string>  $areas
     * @param  Closure(float, float, float): array{float, int}  $at  distance to its surface, below 0 inside, and place of the area in the list
     */
    public function __construct(public array $least, public array $most, public array $areas, public Closure $at)
    {
    }

    /**
     * One area as a whole.
     *
     * @param  array{float, float, float}  $least
     * @param  array{float, float, float}  $most
     * @param  Closure(float, float, float): float  $distance
     */
    public static function of(string $area, array $least, array $most, Closure $distance): self
    {
        return new self($least, $most, [$area], static fn (float $x, float $y, float $z): array => [$distance($x, $y, $z), 0]);
    }
}

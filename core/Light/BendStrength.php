<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * How readily a bend of the surface counts as an edge or as a groove: 2 finds those that bend half as sharply, 1 is usual.
 */
final readonly class BendStrength
{
    /**
     * @param  float  $edges  above 0
     * @param  float  $grooves  above 0
     */
    public function __construct(public float $edges = 1.0, public float $grooves = 1.0)
    {
    }
}

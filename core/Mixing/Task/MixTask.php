<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Task;

use Hyalin\Colour\Lab;
use Hyalin\Optics\Surface;

/**
 * What is wanted of a mix: the colour to be seen in the end, where the mix lies, what still goes over it, and how
 * large a mix may be.
 */
final readonly class MixTask
{
    /** @param  list<LaterLayer>  $later */
    private function __construct(
        public Lab $target,
        public Placement $placement,
        public array $later,
        public Surface $surface,
        public int $maxPaints,
        public int $maxDrops,
        public int $top,
    ) {
    }

    /**
     * @param  Lab  $target  as seen through $surface, under the illuminant of its white
     * @param  list<LaterLayer>  $later  in the order they are painted
     * @param  int  $maxPaints  1..3
     * @param  int  $maxDrops  1..24 in all
     * @param  int  $top  how many mixes to return, each of another set of paints, 1..50
     *
     * @throws InvalidMixTask outside these ranges
     */
    public static function of(
        Lab $target,
        Placement $placement,
        array $later = [],
        ?Surface $surface = null,
        int $maxPaints = 3,
        int $maxDrops = 12,
        int $top = 5,
    ): self {
        if ($maxPaints < 1 || $maxPaints > 3) {
            throw InvalidMixTask::maxPaints($maxPaints);
        }
        if ($maxDrops < 1 || $maxDrops > 24) {
            throw InvalidMixTask::maxDrops($maxDrops);
        }
        if ($top < 1 || $top > 50) {
            throw InvalidMixTask::top($top);
        }

        return new self($target, $placement, $later, $surface ?? Surface::none(), $maxPaints, $maxDrops, $top);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Task;

use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;

/**
 * A layer that will still go over the mix to be found, as it falls on the zone in question.
 */
final readonly class LaterLayer
{
    private function __construct(public PaintOptics $mix, public FilmThickness $thickness, public float $coverage)
    {
    }

    /** @throws InvalidMixTask unless the coverage is from 0 to 1 */
    public static function of(PaintOptics $mix, FilmThickness $thickness, float $coverage = 1.0): self
    {
        if (! ($coverage >= 0 && $coverage <= 1)) {
            throw InvalidMixTask::later('coverage', $coverage);
        }

        return new self($mix, $thickness, $coverage);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * Where on an area light and shape put a point; the order is from the deepest to the most exposed.
 */
enum Zone: string
{
    case Recess = 'recess';
    case Shade = 'shade';
    case Mid = 'mid';
    case Light = 'light';
    case Edge = 'edge';

    /** @return int 0 for recess to 4 for edge: the index into a deposit profile */
    public function index(): int
    {
        return match ($this) {
            self::Recess => 0,
            self::Shade => 1,
            self::Mid => 2,
            self::Light => 3,
            self::Edge => 4,
        };
    }

    /** @return float share of an area, adding up to 1 over the zones: own estimate until a mesh tells it */
    public function usualShare(): float
    {
        return [0.15, 0.2, 0.3, 0.2, 0.15][$this->index()];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Conditions of a plan besides the figure itself.
 */
final readonly class Circumstances
{
    /** Minutes of a usual session: own estimate. */
    public const SITTING = 180;

    /**
     * @param  bool  $hasVarnish  whether the shelf holds one, for barriers
     * @param  int  $sittingMinutes  of the painter's longest session, more than 0 and less than a day: no mask stays on longer than that
     * @param  list<PieceUse>  $uses  what the finish has to stand
     * @param  bool  $asksUnseen  whether it is asked for what no reference shows
     */
    public function __construct(public bool $hasVarnish = true, public int $sittingMinutes = self::SITTING, public array $uses = [], public bool $asksUnseen = false)
    {
    }
}

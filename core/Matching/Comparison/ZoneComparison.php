<?php

declare(strict_types=1);

namespace Hyalin\Matching\Comparison;

use Hyalin\Colour\Lab;
use Hyalin\Finish\Zone;

/**
 * One zone of a painted piece beside what was wanted and what was predicted.
 */
final readonly class ZoneComparison
{
    private function __construct(
        public Zone $zone,
        public Lab $wanted,
        public ?Lab $painted,
        public ?Lab $predicted,
        /** painted beside wanted; null until it is found on the photo */
        public ?ComparedColours $toWanted,
        /** CIEDE2000 of painted to predicted; null until it is found on the photo */
        public ?float $toPredicted,
    ) {
    }

    /**
     * @param  Lab|null  $wanted  of the reference; null where none was taken, the predicted one is wanted then
     * @param  Lab|null  $painted  null until it is found on the photo
     * @param  Lab  $predicted  of the finish, or of the bare print
     * @param  bool  $hasFinish  whether anything is planned at all
     */
    public static function of(Zone $zone, ?Lab $wanted, ?Lab $painted, Lab $predicted, bool $hasFinish): self
    {
        return new self(
            $zone,
            $wanted ?? $predicted,
            $painted,
            $hasFinish ? $predicted : null,
            $painted === null ? null : ComparedColours::of($wanted ?? $predicted, $painted),
            $painted === null ? null : ComparedColours::of($predicted, $painted)->difference,
        );
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * A part that a peg and a socket set on another.
 */
final readonly class Fitted
{
    /**
     * @param  int  $part  that is set on the other
     * @param  Pose  $pose  it stands in then
     * @param  array{float, float, float}  $at  middle of the joint, mm
     * @param  array{float, float, float}  $axis  of the joint, of length 1
     * @param  bool  $isSure  whether it fits nowhere else as well
     * @param  bool  $stood  whether it stood there already
     */
    public function __construct(public int $part, public int $onto, public Pose $pose, public array $at, public array $axis, public bool $isSure, public bool $stood)
    {
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * Directions all round a figure that shadows are computed for, once: close together around up, where most spray comes
 * from, wider apart below. Two Fibonacci spirals, one for the cap and one for the rest (as SprayCone has them). Each direction
 * stands for a piece of the sphere, so that sums over it are integrals over the sky, and any spray is a choice among them.
 */
final readonly class Sky
{
    /** Degrees from up within which directions are close together. */
    public const CAP = 60.0;

    private const IN_CAP = 96;

    private const BELOW = 96;

    /**
     * @param  list<array{float, float, float}>  $directions  of length 1
     * @param  list<float>  $solidAngles  of each, sr; 4 pi together
     * @param  array{float, float, float}  $up  of length 1
     */
    private function __construct(public array $directions, public array $solidAngles, public array $up)
    {
    }

    /**
     * @param  array{float, float, float}  $up  of any length but 0
     *
     * @throws InvalidLight
     */
    public static function around(array $up): self
    {
        $cap = SprayCone::around($up, self::CAP, self::IN_CAP);
        $least = cos(deg2rad(self::CAP));

        return new self(
            [...$cap->directions, ...SprayCone::spiral($cap->axis, $least, -1.0, self::BELOW)],
            [...array_fill(0, self::IN_CAP, 2 * M_PI * (1 - $least) / self::IN_CAP), ...array_fill(0, self::BELOW, 2 * M_PI * (1 + $least) / self::BELOW)],
            $cap->axis,
        );
    }

    /**
     * @param  array{float, float, float}  $axis  to the spray, of any length but 0
     * @param  float  $halfAngle  degrees, 0..90
     *
     * @throws InvalidLight
     */
    public function spray(array $axis, float $halfAngle): SprayCone
    {
        return SprayCone::among($this->directions, $this->solidAngles, $axis, $halfAngle);
    }
}

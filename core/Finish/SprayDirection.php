<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * Where a directed spray usually comes from and what it gives each zone while no mesh says more: own estimates.
 */
final readonly class SprayDirection
{
    /** Y of the primer beneath, 0..1. */
    public const BENEATH = 0.02;

    /**
     * @param  float  $elevation  degrees above the horizon, -90..90
     * @param  float  $side  degrees to the side of the front, -180..180
     * @param  float  $spread  half angle of the spray cone, degrees
     * @param  int  $passes  usual; 0 when it is not used unless the painter says so
     * @param  array{float, float, float, float, float}  $exposure  0..1 of recess, shade, mid, light, edge
     * @param  float  $luminance  Y of the primer it is usually sprayed with, 0..1
     */
    public function __construct(public float $elevation, public float $side, public float $spread, public int $passes, public array $exposure, public float $luminance)
    {
    }

    /** @return bool whether it brings light, and not shade */
    public function isFromAbove(): bool
    {
        return $this->elevation > 0.0;
    }
}

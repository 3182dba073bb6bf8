<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use Hyalin\Colour\Lab;
use Hyalin\Matching\Proposals\RampReach;

/**
 * A ramp that the shelf does not reach, and the nearest one that it does.
 */
final readonly class NearestRampProps
{
    /**
     * @param  float  $worst  CIEDE2000 of the zone that is farthest
     * @param  list<ColourProps>  $wanted
     * @param  list<ColourProps>  $ramp  nearest, with its relations kept
     * @param  float  $contrast  share left
     * @param  float  $chroma  share left
     */
    public function __construct(public float $worst, public array $wanted, public array $ramp, public float $contrast, public float $chroma)
    {
    }

    /** @param  non-empty-array<string, Lab>  $wanted */
    public static function of(RampReach $reach, array $wanted): self
    {
        return new self(
            $reach->worst, array_values(array_map(ColourProps::of(...), $wanted)), array_values(array_map(ColourProps::of(...), $reach->ramp)), $reach->contrast, $reach->chroma,
        );
    }
}

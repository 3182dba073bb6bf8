<?php

declare(strict_types=1);

namespace App\Http\Props\References;

use App\Http\Props\ColourProps;
use Hyalin\Matching\Sampling\ColourArea;

/**
 * A part of a picture that is likely one area.
 */
final readonly class ColourAreaProps
{
    /**
     * @param  int  $place  by which it is asked for
     * @param  float  $share  of the figure on the picture, 0..1
     * @param  list<ColourProps>  $ramp  recess to edge, or the mid alone
     * @param  list<float>  $spot  where the picture shows it, 0..1 from the left and the top
     */
    public function __construct(public int $place, public string $name, public float $share, public array $ramp, public array $spot)
    {
    }

    /** @param  array{float, float}  $spot */
    public static function of(int $place, string $name, ColourArea $area, array $spot): self
    {
        return new self($place, $name, $area->share, array_map(static fn (array $zone): ColourProps => ColourProps::of($zone[0]), array_values($area->ramp)), $spot);
    }
}

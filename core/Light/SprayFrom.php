<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * A spray as a painter says it: from how high, from which side, how wide, how often. Relative to the figure as it stands
 * finished, also for parts that are sprayed apart.
 */
final readonly class SprayFrom
{
    /** Passes after which more changes nothing that is seen. */
    private const MOST_PASSES = 9;

    /** mm a nozzle is held from the figure. */
    public const NEAREST = 20.0;

    public const FARTHEST = 2000.0;

    private function __construct(public float $elevation, public float $side, public float $spread, public int $passes, public ?float $distance)
    {
    }

    /**
     * @param  float  $elevation  degrees over the horizon, -90..90
     * @param  float  $side  degrees from the front, to the figure's own left, -180..180
     * @param  float  $spread  half angle of the cone, degrees, 0..90
     * @param  int  $passes  0..9
     * @param  float|null  $distance  mm from the nozzle to the middle of the figure, 20..2000; null where it is held so far
     *                                that it comes from everywhere alike
     *
     * @throws InvalidLight outside these ranges
     */
    public static function of(float $elevation, float $side, float $spread, int $passes, ?float $distance = null): self
    {
        if (! ($elevation >= -90 && $elevation <= 90 && $side >= -180 && $side <= 180 && $spread >= 0 && $spread <= 90 && $passes >= 0 && $passes <= self::MOST_PASSES && ($distance === null || ($distance >= self::NEAREST && $distance <= self::FARTHEST)))) {
            throw InvalidLight::spray($elevation, $side, $spread, $passes);
        }

        return new self($elevation, $side, $spread, $passes, $distance);
    }

    /**
     * @param  array{float, float, float}  $up  of length 1
     * @param  array{float, float, float}  $front  of length 1, across from up
     * @return array{float, float, float} from the figure to the spray, of length 1
     */
    public function axis(array $up, array $front): array
    {
        // Up, front and the figure's own left are a right-handed frame.
        $left = [$up[1] * $front[2] - $up[2] * $front[1], $up[2] * $front[0] - $up[0] * $front[2], $up[0] * $front[1] - $up[1] * $front[0]];
        [$high, $flat] = [sin(deg2rad($this->elevation)), cos(deg2rad($this->elevation))];
        [$ahead, $aside] = [$flat * cos(deg2rad($this->side)), $flat * sin(deg2rad($this->side))];

        return [
            $high * $up[0] + $ahead * $front[0] + $aside * $left[0],
            $high * $up[1] + $ahead * $front[1] + $aside * $left[1],
            $high * $up[2] + $ahead * $front[2] + $aside * $left[2],
        ];
    }
}

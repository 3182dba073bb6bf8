<?php

declare(strict_types=1);

namespace Hyalin\Cup;

/**
 * Where the hue of a ramp goes: painters like a warmer light and a cooler shade.
 */
enum HueDrift: string
{
    case Straight = 'straight';
    case WarmLight = 'warmer light, cooler shade';
    case CoolLight = 'cooler light, warmer shade';

    /** Degrees of CIELAB hue a step, towards yellow (90) for warm and blue (270) for cool: own estimate. */
    private const STEP = 6.0;

    /**
     * @param  float  $hue  degrees
     * @param  int  $steps  positive towards the light
     */
    public function turned(float $hue, int $steps): float
    {
        if ($this === self::Straight || $steps === 0) {
            return $hue;
        }
        $warm = ($steps > 0) === ($this === self::WarmLight);
        $goal = $warm ? 90.0 : 270.0;
        $way = fmod($goal - $hue + 540.0, 360.0) - 180.0;
        $by = min(abs($way), self::STEP * abs($steps));

        return fmod($hue + ($way < 0 ? -$by : $by) + 360.0, 360.0);
    }
}

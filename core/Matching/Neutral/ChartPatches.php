<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;

/**
 * The usual photographic chart of 24 patches, in reading order, 6 by 4. CIELAB under D50, 2 degrees, as published for
 * charts made before November 2014; real charts differ from it by CIEDE2000 0.5 to 1.3.
 */
final class ChartPatches
{
    public const COLUMNS = 6;

    public const ROWS = 4;

    /** @var array<string, array{float, float, float}> */
    private const LAB_D50 = [
        'dark skin' => [37.99, 13.56, 14.06],
        'light skin' => [65.71, 18.13, 17.81],
        'blue sky' => [49.93, -4.88, -21.93],
        'foliage' => [43.14, -13.10, 21.91],
        'blue flower' => [55.11, 8.84, -25.40],
        'bluish green' => [70.72, -33.40, -0.20],
        'orange' => [62.66, 36.07, 57.10],
        'purplish blue' => [40.02, 10.41, -45.96],
        'moderate red' => [51.12, 48.24, 16.25],
        'purple' => [30.33, 22.98, -21.59],
        'yellow green' => [72.53, -23.71, 57.26],
        'orange yellow' => [71.94, 19.36, 67.86],
        'blue' => [28.78, 14.18, -50.30],
        'green' => [55.26, -38.34, 31.37],
        'red' => [42.10, 53.38, 28.19],
        'yellow' => [81.73, 4.04, 79.82],
        'magenta' => [51.94, 49.99, -14.57],
        'cyan' => [51.04, -28.63, -28.64],
        'white' => [96.54, -0.43, 1.19],
        'neutral 8' => [81.26, -0.64, -0.34],
        'neutral 6.5' => [66.77, -0.73, -0.50],
        'neutral 5' => [50.87, -0.15, -0.27],
        'neutral 3.5' => [35.66, -0.42, -1.23],
        'black' => [20.46, -0.08, -0.97],
    ];

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::LAB_D50);
    }

    /** @return list<Lab> adapted to D65 by Bradford */
    public static function underD65(): array
    {
        return array_values(array_map(
            static fn (array $lab): Lab => Lab::of(...$lab, white: Illuminant::D50)->toXyz()->adaptedTo(Illuminant::D65)->toLab(),
            self::LAB_D50,
        ));
    }
}

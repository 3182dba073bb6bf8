<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Models\Light\LightRecord;
use Hyalin\Finish\Technique;

/**
 * One directed spray of a figure.
 */
final readonly class SprayProps
{
    /**
     * @param  float  $elevation  degrees over the horizon
     * @param  float  $side  degrees from the front, to the figure's own left
     * @param  float  $spread  half angle of the cone, degrees
     * @param  int  $passes  0 where it is not used
     * @param  float|null  $distance  mm from the nozzle to where it points; null for far away
     * @param  list<float>|null  $aim  where it points, mm; null for the middle of the figure
     * @param  float  $luminance  Y of its usual primer, 0..1
     */
    public function __construct(public Technique $technique, public float $elevation, public float $side, public float $spread, public int $passes, public float $luminance, public ?float $distance = null, public ?array $aim = null)
    {
    }

    /** @return list<self> */
    public static function allOf(LightRecord $light): array
    {
        $sprays = [];
        foreach ($light->directedSprays() as $name => $spray) {
            $technique = Technique::from($name);
            $sprays[] = new self($technique, $spray->elevation, $spray->side, $spray->spread, $spray->passes, $technique->spec()->direction->luminance ?? 0.0, $spray->distance, $light->sprays[$name]['aim'] ?? null);
        }

        return $sprays;
    }
}

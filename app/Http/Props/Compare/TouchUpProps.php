<?php

declare(strict_types=1);

namespace App\Http\Props\Compare;

use App\Adapters\Compare\AreaTouchUp;
use App\Http\Props\ColourProps;
use App\Http\Props\Finish\LayerProps;

/**
 * The smallest remedy for an area, with its predicted result.
 */
final readonly class TouchUpProps
{
    /**
     * @param  LayerProps|null  $layer  null when nothing is to be done, or nothing on the shelf helps
     * @param  float  $before  mean CIEDE2000
     * @param  float  $after  the same, predicted
     * @param  list<ColourProps>  $wanted
     * @param  list<ColourProps>  $colours  predicted, in the same order
     * @param  int  $version  of the area's finish
     * @param  int|null  $runId  that takes the layer as its next step; null where none has begun
     */
    public function __construct(
        public ?LayerProps $layer,
        public float $before,
        public float $after,
        public array $wanted,
        public array $colours,
        public bool $startOver,
        public bool $isWithin,
        public int $version,
        public ?int $runId,
    ) {
    }

    public static function of(AreaTouchUp $of, ?int $runId): self
    {
        return new self(
            $of->layer === null ? null : LayerProps::of($of->layer),
            $of->touchUp->before,
            $of->touchUp->after,
            wanted: array_values(array_map(ColourProps::of(...), $of->wanted)),
            colours: array_values(array_map(ColourProps::of(...), $of->touchUp->colours)),
            startOver: $of->touchUp->startOver,
            isWithin: $of->touchUp->isWithin,
            version: $of->area->version,
            runId: $runId,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Http\Props\Finish\LayerProps;
use App\Http\Props\Finish\SectionProps;

/**
 * One area of two runs, or of a run and the plan: both sections, and by how much each zone differs at the end.
 */
final readonly class ComparedRunAreaProps
{
    /**
     * @param  list<LayerProps>  $leftLayers
     * @param  list<LayerProps>  $rightLayers
     * @param  list<float>  $differences  CIEDE2000 of the finished zones, recess to edge
     * @param  list<string>  $changed  keys of the layers that differ in mix, coats or thinning, or stand on one side only
     */
    public function __construct(
        public int $id,
        public string $name,
        public array $leftLayers,
        public SectionProps $left,
        public array $rightLayers,
        public SectionProps $right,
        public array $differences,
        public array $changed,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

/**
 * One area on the mesh: its measures, its light, and its finish for the view.
 */
final readonly class LitAreaProps
{
    /**
     * @param  float|null  $cm2  null while none of the mesh is this area
     * @param  float|null  $exposure  mean share of the spray from above, 0..1
     * @param  list<float>  $shares  of the five zones, recess to edge
     * @param  bool  $isGradient  whether it is planned as one
     * @param  array{from: list<float>, to: list<float>}|null  $gradient  from root to tip, mm; null where its zones are depths, also those of a gradient that has no extent on this mesh
     * @param  list<string>  $advice  what the light means for painting it
     * @param  list<list<string>>  $rows  hex of the five zones: bare, then after every layer
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?string $part,
        public ?float $cm2,
        public ?float $exposure,
        public array $shares,
        public bool $isGradient,
        public ?array $gradient,
        public array $advice,
        public array $rows,
    ) {
    }
}

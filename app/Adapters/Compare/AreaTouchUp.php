<?php

declare(strict_types=1);

namespace App\Adapters\Compare;

use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use Hyalin\Colour\Lab;
use Hyalin\Matching\Comparison\TouchUp;

/**
 * The smallest remedy for an area, from the painter's shelf.
 */
final readonly class AreaTouchUp
{
    /**
     * @param  LayerDraft|null  $layer  null when nothing is to be done, or nothing on the shelf helps
     * @param  array<string, Lab>  $wanted  by zone
     */
    public function __construct(public Area $area, public TouchUp $touchUp, public ?LayerDraft $layer, public array $wanted)
    {
    }
}

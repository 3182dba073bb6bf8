<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\Division;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\SurfaceGraph;

/**
 * The working mesh of a figure, ready to be divided into areas.
 */
final class SculptDivision
{
    public static function of(StoredStudy $study): Division
    {
        $working = $study->working();

        return Division::of(SurfaceGraph::of($working), $study->curvature(), ZoneMap::tip(MeshMeasures::of($working)->size()));
    }
}

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
        $surface = SurfaceGraph::of($working);
        $tip = ZoneMap::tip(MeshMeasures::of($working)->size());
        $known = $study->creases();
        if ($known !== null) {
            return Division::known($surface, $known[0], $known[1], $tip);
        }
        $division = Division::of($surface, $study->curvature(), $tip);
        $study->putCreases($division->crease, $division->patches->of);

        return $division;
    }
}

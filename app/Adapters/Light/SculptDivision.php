<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\Division;
use Hyalin\Mesh\Patches;
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
        $tip = ZoneMap::tip($working->size());
        $patches = $study->patches();
        if ($patches !== null) {
            return Division::known($surface, $study->creases(), $patches, $tip);
        }
        $division = Division::of($surface, $study->curvature(), $tip);
        $study->putCreases($division->crease, $division->patches);

        return $division;
    }

    /** @return list<int> area of each working vertex, from 0, as a proposal */
    public static function proposed(StoredStudy $study): array
    {
        return self::of($study)->proposedWithNecks($study->working(), $study->curvature());
    }

    /** What a fill runs over: known patches are enough for it. */
    public static function patches(StoredStudy $study): Patches
    {
        return $study->patches() ?? self::of($study)->patches;
    }
}

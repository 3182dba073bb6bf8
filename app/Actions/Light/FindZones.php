<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Light\Sky;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\SurfaceGraph;

/**
 * The zones anew, with the strength of edges and grooves that the painter wants: shadows, openness and curvature are kept.
 */
final readonly class FindZones
{
    public function __construct(private SettleAreas $settle)
    {
    }

    public function __invoke(LightRecord $light): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return;
        }
        $sky = Sky::around($light->axis());
        $work = $study->working();
        $wide = ZoneMap::wideLight($work, $study->seen($sky), $sky);
        $open = array_map(static fn (string $byte): float => ord($byte) / 255, str_split($study->openness()));
        $zones = ZoneMap::of($study->measured(), $study->vertexOf(), SurfaceGraph::of($work), $wide, $open, $study->curvature(), $light->result['sizeMm'], $light->edges, $light->grooves);
        $study->putZones($zones->of);
        ($this->settle)($light);
    }
}

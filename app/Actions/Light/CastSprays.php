<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Finish\Technique;
use Hyalin\Light\Exposure;
use Hyalin\Light\Sky;

/**
 * Weighs the directed sprays of a figure with the shadows that are known: exposure of every vertex of the working mesh, and
 * its mean over each area and zone. However large the print, only the working mesh is gone through.
 */
final class CastSprays
{
    public function __invoke(LightRecord $light): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return;
        }
        $sky = Sky::around($light->axis());
        $work = $study->working();
        $seen = $study->seen($sky);
        $weights = $study->weights();
        $means = [];
        foreach ($light->directedSprays() as $name => $spray) {
            $exposure = Exposure::ofVertices($work, $seen, $sky->spray($spray->axis($light->axis(), $light->frontAxis()), $spray->spread));
            $study->putExposure($name, $exposure);
            $means[$name] = $weights->means($exposure);
        }
        $areas = $light->result['areas'];
        foreach ($areas as $n => $area) {
            $areas[$n]['exposure'] = $means[Technique::ZenithalSpray->value][$area['areaId']][0] ?? 0.0;
            foreach ($means as $name => $byArea) {
                $areas[$n]['byZone'][$name] = $byArea[$area['areaId']][1] ?? [];
            }
        }
        $light->update(['result' => [...$light->result, 'areas' => $areas]]);
    }
}

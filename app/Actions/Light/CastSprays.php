<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Finish\Technique;
use Hyalin\Light\Exposure;
use Hyalin\Light\NozzleSpray;
use Hyalin\Light\Sky;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\ProgressShare;
use Hyalin\Stopped;

/**
 * Weighs the directed sprays of a figure with the shadows that are known: exposure of every vertex of the working mesh, and
 * its mean over each area and zone. However large the print, only the working mesh is gone through.
 */
final class CastSprays
{
    /**
     * @param  Technique|null  $only  whose setting changed; null for all
     *
     * @throws Stopped nothing is changed then
     */
    public function __invoke(LightRecord $light, ?Technique $only = null, ?Progress $progress = null): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return;
        }
        $sky = Sky::around($light->axis());
        $work = $study->working();
        $seen = $study->seen($sky);
        $sprays = array_filter($light->directedSprays(), static fn (string $name): bool => $only === null || $only->value === $name, ARRAY_FILTER_USE_KEY);
        $exposures = [];
        foreach ($sprays as $name => $spray) {
            $share = ProgressShare::of($progress, count($exposures) / count($sprays), (1 + count($exposures)) / count($sprays));
            $axis = $spray->axis($light->axis(), $light->frontAxis());
            if ($spray->distance === null) {
                $exposures[$name] = Exposure::ofVertices($work, $seen, $sky->spray($axis, $spray->spread));
            } else {
                $aim = $light->sprays[$name]['aim'] ?? self::middle($work);
                $nozzle = [$aim[0] + $spray->distance * $axis[0], $aim[1] + $spray->distance * $axis[1], $aim[2] + $spray->distance * $axis[2]];
                $exposures[$name] = NozzleSpray::ofVertices($work, $nozzle, $aim, $spray->spread, $share);
            }
        }
        foreach ($exposures as $name => $exposure) {
            $study->putExposure($name, $exposure);
        }
        $this->share($light);
    }

    /** The same sprays over other areas or zones: what falls where is known, only its means change. */
    public function share(LightRecord $light): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return;
        }
        $weights = $study->weights();
        $areas = $light->result['areas'];
        foreach (array_keys($light->directedSprays()) as $name) {
            $means = $weights->means(array_map(static fn (string $byte): float => ord($byte) / 255, str_split($study->exposure($name))));
            foreach ($areas as $n => $area) {
                $areas[$n]['byZone'][$name] = $means[$area['areaId']][1] ?? [];
                if ($name === Technique::ZenithalSpray->value) {
                    $areas[$n]['exposure'] = $means[$area['areaId']][0] ?? 0.0;
                }
            }
        }
        $light->update(['result' => [...$light->result, 'areas' => $areas]]);
    }

    /** @return array{float, float, float} of the box around the figure, mm: where a spray points unless it is told */
    private static function middle(TriangleMesh $mesh): array
    {
        [$low, $high] = $mesh->bounds();

        return [($low[0] + $high[0]) / 2, ($low[1] + $high[1]) / 2, ($low[2] + $high[2]) / 2];
    }
}

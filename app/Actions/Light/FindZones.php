<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Light\BendStrength;
use Hyalin\Light\Sky;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Progress;
use Hyalin\ProgressShare;
use Hyalin\Stopped;

/**
 * The zones anew, with the strength of edges and grooves that the painter wants: shadows, openness and curvature are kept.
 */
final readonly class FindZones
{
    public function __construct(private SettleAreas $settle)
    {
    }

    /**
     * @param  float  $edges  strength with which edges are found, 1 for the usual
     * @param  float  $grooves  alike
     *
     * @throws Stopped zones and strengths are as before then
     */
    public function __invoke(LightRecord $light, float $edges, float $grooves, ?Progress $progress = null): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            $light->update(['edges' => $edges, 'grooves' => $grooves]);

            return;
        }
        $sky = Sky::around($light->axis());
        $work = $study->working();
        $wide = ZoneMap::wideLight($work, $study->seen($sky), $sky);
        $open = array_map(static fn (string $byte): float => ord($byte) / 255, str_split($study->openness()));
        // Shares of the time as a print of half a million triangles takes it.
        Stopped::unless($progress, 0.1);
        $surface = SurfaceGraph::of($work);
        $measured = $study->measured();
        Stopped::unless($progress, 0.2);
        $zones = ZoneMap::of($measured, $study->vertexOf(), $surface, $wide, $open, $study->curvature(), $light->result['sizeMm'], new BendStrength($edges, $grooves));
        Stopped::unless($progress, 0.5);
        [$before, $strengths] = [$study->zones(), $light->only(['edges', 'grooves'])];
        $study->putZones($zones->of);
        $light->update(['edges' => $edges, 'grooves' => $grooves]);
        try {
            ($this->settle)($light, ProgressShare::of($progress, 0.5, 1.0));
        } catch (Stopped $e) {
            $study->putZones($before);
            $light->update($strengths);
            throw $e;
        }
    }
}

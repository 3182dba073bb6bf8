<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\StoredStudy;
use App\Adapters\LostJob;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;

/**
 * The numbers of the areas after they were changed. A painter who brushes waits for none of them: they are measured when
 * somebody reads them.
 */
final readonly class SettleAreas
{
    public function __construct(private MeasureAreas $measureAreas, private CastSprays $castSprays)
    {
    }

    public function __invoke(LightRecord $light): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return;
        }
        $measured = $study->stampOfAreas();
        // From here on the numbers are of neither: an undo just now must not find those of before called right.
        $light->update(['measured_of' => null]);
        StoredStudy::settleFiles($light);
        $forms = self::forms($light);
        do {
            $known = $forms;
            ($this->measureAreas)($light);
            $this->castSprays->share($light);
            // What was made a gradient meanwhile may have been measured by another, whose numbers are written over by these.
            $forms = self::forms($light);
        } while ($forms !== $known);
        // What was brushed meanwhile has another stamp, and is measured by the next who asks.
        $light->update(['measured_of' => $measured]);
    }

    /** @return string another one whenever an area becomes a gradient, or another one, or none */
    private static function forms(LightRecord $light): string
    {
        return Area::query()->where('figure_id', $light->figure_id)->orderBy('id')->get(['id', 'form', 'gradient'])->toJson();
    }

    /** @return LightRecord|null the light of a figure with its numbers as they are now; null when it has none */
    public function ofFigure(Figure $figure): ?LightRecord
    {
        $light = $figure->lightStudy()->first();
        if ($light !== null) {
            LostJob::tell($light);
            $this->due($light);
        }

        return $light;
    }

    public function due(LightRecord $light): void
    {
        if (StoredStudy::of($light)?->isMeasured($light) === false) {
            $this($light);
        }
    }
}

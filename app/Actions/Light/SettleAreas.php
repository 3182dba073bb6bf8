<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeasuringTurn;
use App\Adapters\Light\StoredStudy;
use App\Adapters\LostJob;
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

    /** Measures again, whatever was measured before. */
    public function __invoke(LightRecord $light): void
    {
        MeasuringTurn::take($light, fn () => $this->measure($light->refresh()));
    }

    private function measure(LightRecord $light): void
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return;
        }
        $measured = $study->stampOfAreas();
        StoredStudy::settleFiles($light);
        // From here on the numbers are of neither: an undo just now must not find those of before called right.
        $light->update(['measured_of' => null]);
        do {
            $gradients = StoredStudy::stampOfGradients($light);
            ($this->measureAreas)($light);
            $this->castSprays->share($light);
            // Who sets a gradient meanwhile waits for a turn; what is answered here is of now all the same.
        } while ($gradients !== StoredStudy::stampOfGradients($light));
        // What was brushed meanwhile has another stamp, and is measured by the next who asks.
        $light->update(['measured_of' => $measured.$gradients]);
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
            MeasuringTurn::take($light, fn () => $this->measureDue($light->refresh()));
        }
    }

    /** Other sprays over the areas as they are. */
    public function withSprays(LightRecord $light): void
    {
        MeasuringTurn::take($light, function () use ($light): void {
            $this->measureDue($light->refresh());
            ($this->castSprays)($light);
        });
    }

    private function measureDue(LightRecord $light): void
    {
        if (StoredStudy::of($light)?->isMeasured($light) === false) {
            $this->measure($light);
        }
    }
}

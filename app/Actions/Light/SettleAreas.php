<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeasuringTurn;
use App\Adapters\Light\Patience;
use App\Adapters\Light\StoredStudy;
use App\Adapters\LostTask;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use Hyalin\Finish\Technique;
use Hyalin\Progress;
use Hyalin\ProgressShare;
use Hyalin\Stopped;

/**
 * The numbers of the areas after they were changed. A painter who brushes waits for none of them: they are measured when
 * somebody reads them.
 */
final readonly class SettleAreas
{
    public function __construct(private MeasureAreas $measureAreas, private CastSprays $castSprays)
    {
    }

    /**
     * Measures again, whatever was measured before.
     *
     * @throws Stopped they are measured when somebody reads them next
     */
    public function __invoke(LightRecord $light, ?Progress $progress = null): void
    {
        MeasuringTurn::take($light, fn () => $this->measure($light->refresh(), $progress));
    }

    private function measure(LightRecord $light, ?Progress $progress): void
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
            ($this->measureAreas)($light, ProgressShare::of($progress, 0.1, 0.9));
            $this->castSprays->share($light);
            // Who sets a gradient meanwhile waits for a turn; what is answered here is of now all the same.
        } while ($gradients !== StoredStudy::stampOfGradients($light));
        // What was brushed meanwhile has another stamp, and is measured by the next who asks.
        $light->update(['measured_of' => $measured.$gradients]);
    }

    /**
     * The light of a figure with its numbers as they are now. Of a large print that was changed just now they are those of before: measuring
     * is work for the queue (MeasureLitAreas).
     *
     * @return LightRecord|null null when it has none
     */
    public function ofFigure(Figure $figure): ?LightRecord
    {
        $light = $figure->load('lightStudy.task')->lightStudy;
        if ($light !== null) {
            LostTask::tell($light->task);
            if (! Patience::endsAtMeasuring($light)) {
                $this->due($light);
            }
        }

        return $light;
    }

    /** @throws Stopped they are measured when somebody reads them next */
    public function due(LightRecord $light, ?Progress $progress = null): void
    {
        if (StoredStudy::of($light)?->isMeasured($light) === false) {
            MeasuringTurn::take($light, fn () => $this->measureDue($light->refresh(), $progress));
        }
    }

    /**
     * Other sprays over the areas as they are.
     *
     * @param  array<string, mixed>  $settings  of the light, set with what follows from them
     * @param  Technique|null  $only  the spray that changed; null for all
     *
     * @throws Stopped nothing is changed then
     */
    public function withSprays(LightRecord $light, array $settings, ?Technique $only, ?Progress $progress = null): void
    {
        MeasuringTurn::take($light, function () use ($light, $settings, $only, $progress): void {
            $this->measureDue($light->refresh(), ProgressShare::of($progress, 0.0, 0.3));
            $light->fill($settings);
            ($this->castSprays)($light, $only, ProgressShare::of($progress, 0.3, 1.0));
            $light->save();
        });
    }

    private function measureDue(LightRecord $light, ?Progress $progress): void
    {
        if (StoredStudy::of($light)?->isMeasured($light) === false) {
            $this->measure($light, $progress);
        }
    }
}

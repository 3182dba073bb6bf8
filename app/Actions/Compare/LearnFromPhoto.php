<?php

declare(strict_types=1);

namespace App\Actions\Compare;

use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Models\Bench\Run;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Compare\Correction;
use App\Models\References\Picture;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Technique;
use Hyalin\Matching\Comparison\Departure;
use Illuminate\Support\Facades\DB;

/**
 * Keeps how the outcome differs from the prediction, by pot and technique: means over all zones of all photos of the
 * figure that the pot's layer shows in.
 */
final readonly class LearnFromPhoto
{
    public function __construct(private PaintedRun $painted)
    {
    }

    /** @return int pots and techniques something was learnt of */
    public function __invoke(Figure $figure, Picture $photo): int
    {
        $seen = [];
        $findings = $photo->findings()->get()->groupBy('area_id');
        $run = $this->painted->of($figure, $photo);
        foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
            foreach ($this->departures($figure, $area, $run, $findings->get($area->id)?->all() ?? []) as [$paintId, $technique, $factors, $difference]) {
                $seen["{$paintId} {$technique->value}"][] = [$paintId, $technique, $factors, $difference];
            }
        }
        DB::transaction(static function () use ($figure, $seen): void {
            foreach ($seen as $all) {
                [$paintId, $technique] = $all[0];
                $factors = array_fill(0, 36, 0.0);
                foreach ($all as [, , $each]) {
                    foreach ($each as $band => $factor) {
                        $factors[$band] += $factor / count($all);
                    }
                }
                $correction = Correction::query()->where(['painter_id' => $figure->painter_id, 'paint_id' => $paintId, 'technique' => $technique])->first()
                    ?? new Correction(['paint_id' => $paintId, 'technique' => $technique]);
                $correction->painter_id = $figure->painter_id;
                $correction->fill(['factors' => $factors, 'seen' => count($all), 'difference' => array_sum(array_column($all, 3)) / count($all)]);
                $correction->save();
            }
        });

        return count($seen);
    }

    /**
     * @param  array<int, \App\Models\Compare\Finding>  $findings
     * @return list<array{int, Technique, list<float>, float}>
     */
    private function departures(Figure $figure, Area $area, ?Run $run, array $findings): array
    {
        // What was put on is what is to blame, and not what was planned.
        $drafts = ($run === null ? [] : RunFinish::of($area, $run)) ?: LayerDraft::stackOf($area);
        // Against the bare model: what was learnt before must not be learnt again.
        $optics = FigureOptics::of($figure, $area, Illuminant::D65);
        $layers = array_map(static fn (Layer $l): Layer => $l->correctedBy(null), $optics->layers($drafts));
        $top = $optics->prediction->onTop($optics->start, $layers)->top();
        $found = [];
        foreach ($findings as $finding) {
            $departure = Departure::of($layers, $top, $finding->zone, $finding->lab());
            if ($departure !== null && $finding->doubts === null) {
                $found[] = [
                    $drafts[$departure->layer]->mainPot()->id,
                    $drafts[$departure->layer]->technique,
                    $departure->factors,
                    DifferenceFormula::Ciede2000->between($top->cell($finding->zone)->seen, $finding->lab()),
                ];
            }
        }

        return $found;
    }
}

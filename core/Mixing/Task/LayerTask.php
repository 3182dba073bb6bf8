<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Task;

use Hyalin\Colour\Lab;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Zone;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Surface;

/**
 * The mix wanted for one layer of a finish in one zone, as a task of its own: over what lies beneath it there, under
 * what still follows.
 */
final class LayerTask
{
    /**
     * @param  list<Layer>  $layers  the whole finish; the mix of the layer asked for does not matter
     * @param  Lab  $target  of the finished zone
     * @return MixTask|null null when the layer does not touch the zone
     */
    public static function of(SectionPrediction $prediction, SectionRow $start, array $layers, int $index, Zone $zone, Lab $target, int $maxPaints = 3, int $maxDrops = 12): ?MixTask
    {
        $layer = $layers[$index];
        if ($layer->coverage($zone) <= 0.0) {
            return null;
        }
        $beneath = $prediction->onTop($start, array_slice($layers, 0, $index))->top()->cell($zone)->inside;
        $surface = $start->cell($zone)->surface;
        foreach ($layers as $each) {
            $surface = $each->sheen !== null && $each->coverage($zone) > 0.0 ? Surface::of($each->sheen) : $surface;
        }
        $later = [];
        foreach (array_slice($layers, $index + 1) as $above) {
            for ($coat = 0; $coat < $above->coats && $above->coverage($zone) > 0.0; $coat++) {
                $later[] = LaterLayer::of($above->mixIn($zone), FilmThickness::coats($above->thickness($zone)), $above->coverage($zone));
            }
        }

        return MixTask::of(
            $target,
            // What is blended into a wet coat is a film of its own there.
            Placement::over(
                $beneath,
                FilmThickness::coats($layer->thickness($zone)),
                $layer->context->into === null ? $layer->coverage($zone) : 1.0,
                $layer->coats,
                $layer->scattering($zone),
            ),
            $later,
            $surface,
            $maxPaints,
            $maxDrops,
        );
    }
}

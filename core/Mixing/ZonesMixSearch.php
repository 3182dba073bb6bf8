<?php

declare(strict_types=1);

namespace Hyalin\Mixing;

use Hyalin\Mixing\Found\MixAnswer;
use Hyalin\Mixing\Found\SearchEnding;
use Hyalin\Mixing\Quick\Candidates;
use Hyalin\Mixing\Quick\DropRatios;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Quick\QuickMixSearch;
use Hyalin\Mixing\Quick\SearchEffort;
use Hyalin\Mixing\Task\InvalidMixTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\PaintOptics;

/**
 * One mix for several zones at once, each with its own undercoat, film and layers to come. The best sets of paints for
 * the two weightiest zones are judged in all their ratios over all zones: a mix that is right for all is among the good
 * ones for each. It is not proven; on small shelves the tests hold it to exhaustive search.
 */
final class ZonesMixSearch
{
    private const SETS = 8;

    /**
     * @param  list<PaintOptics>  $paints
     * @param  non-empty-list<array{MixTask, float}>  $zones  tasks with their weights, > 0
     * @return MixAnswer differences are the weighted means over the zones; the colour is that of the weightiest
     *
     * @throws InvalidMixTask on an empty shelf
     */
    public static function find(array $paints, array $zones, ?SearchEffort $effort = null): MixAnswer
    {
        usort($zones, static fn (array $p, array $q): int => $q[1] <=> $p[1]);
        [$main] = $zones[0];
        $effort = ($effort ?? SearchEffort::forShelf(count($paints)))->near();
        $sets = [];
        foreach (array_slice($zones, 0, 2) as [$task]) {
            $wide = MixTask::of($task->target, $task->placement, $task->later, $task->surface, $task->maxPaints, $task->maxDrops, self::SETS);
            foreach (QuickMixSearch::find($paints, $wide, $effort)->mixes as $mix) {
                $set = array_keys($mix->drops);
                sort($set);
                $sets[implode(',', $set)] = $set;
            }
        }
        $evaluators = array_map(static fn (array $zone): MixEvaluator => new MixEvaluator($paints, $zone[0]), $zones);
        $weights = array_map(static fn (array $zone): float => $zone[1], $zones);
        $sum = array_sum($weights);
        $kept = new Candidates($main->top, $main->target->white);
        $evaluations = 0;
        foreach ($sets as $set) {
            foreach (DropRatios::upTo(count($set), $main->maxDrops) as $ratio) {
                $drops = array_slice($ratio, 0, count($set));
                $difference = 0.0;
                $seen = null;
                foreach ($evaluators as $n => $evaluator) {
                    $lab = $evaluator->lab($set, $drops);
                    $seen ??= $lab;
                    $difference += $weights[$n] / $sum * $evaluator->difference($lab);
                    $evaluations++;
                }
                $kept->offer($set, $drops, $seen, $difference);
            }
        }

        return new MixAnswer($kept->mixes() ?: throw new \LogicException('the quick search always finds a mix'), SearchEnding::Settled, $evaluations);
    }
}

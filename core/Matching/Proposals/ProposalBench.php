<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Lab;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Practice;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Zone;
use Hyalin\Mixing\Found\FoundMix;
use Hyalin\Mixing\Found\MixScore;
use Hyalin\Mixing\Quick\DropRatios;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Quick\QuickMixSearch;
use Hyalin\Mixing\Quick\SearchEffort;
use Hyalin\Mixing\Task\InvalidMixTask;
use Hyalin\Mixing\Task\LayerTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Mixing\ZonesMixSearch;
use Hyalin\Optics\PaintOptics;

/**
 * Finds the mix of one layer of a stack: anew from the shelf, grown from an earlier cup, or only its ratio.
 */
final readonly class ProposalBench
{
    /** A cup of its own must bring the colours nearer by this much CIEDE2000 than drops added to an earlier cup. */
    private const WORTH_A_CUP = 1.5;

    private const MOST_ADDED = 12;

    private const SHORTLIST = 12;

    /**
     * @param  list<ShelfPot>  $shelf
     * @param  non-empty-array<string, Lab>  $targets  by zone
     */
    public function __construct(
        public SectionPrediction $prediction,
        public SectionRow $start,
        public array $shelf,
        public array $targets,
        private Practice $practice = new Practice,
    ) {
    }

    /** @param  list<ProposedLayer>  $stack */
    public function section(array $stack): Section
    {
        return $this->prediction->onTop($this->start, $this->layers($stack));
    }

    /** @return list<int> places of pots of a role */
    public function pots(PotRole ...$roles): array
    {
        return array_keys(array_filter($this->shelf, static fn (ShelfPot $p): bool => in_array($p->role, $roles, true)));
    }

    /**
     * The best mix for a layer, judged in several zones at once.
     *
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  array<string, float>  $weights  by zone; zones without target or not touched do not count
     * @param  list<int>  $pots  places to mix from
     * @return ProposedLayer|null null when no zone of it counts, or there is no pot
     */
    public function found(array $stack, int $index, array $weights, array $pots, int $maxPaints = 3): ?ProposedLayer
    {
        $tasks = $pots === [] ? [] : $this->tasks($stack, $index, $weights, $maxPaints);
        if ($tasks === []) {
            return null;
        }
        $optics = array_map(fn (int $place): PaintOptics => $this->shelf[$place]->optics, $pots);
        try {
            $mix = count($tasks) === 1 ? QuickMixSearch::find($optics, $tasks[0][0], SearchEffort::light())->best() : ZonesMixSearch::find($optics, $tasks, SearchEffort::light())->best();
        } catch (InvalidMixTask) {
            return null;
        }

        return $stack[$index]->mixed(self::places($mix, $pots));
    }

    /**
     * The cup of an earlier layer with drops of one pot added.
     *
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  array<string, float>  $weights
     * @param  list<int>  $pots
     */
    public function grown(array $stack, int $index, int $from, array $weights, array $pots): ?ProposedLayer
    {
        $tasks = $pots === [] ? [] : $this->tasks($stack, $index, $weights, 2);
        if ($tasks === []) {
            return null;
        }
        $base = $stack[$from];
        $total = array_sum($base->drops);
        $paints = [$base->optics($this->shelf), ...array_map(fn (int $place): PaintOptics => $this->shelf[$place]->optics, $pots)];
        $evaluators = array_map(static fn (array $task): MixEvaluator => new MixEvaluator($paints, $task[0]), $tasks);
        $best = INF;
        $found = null;
        foreach ($pots as $n => $place) {
            for ($added = 1; $added <= self::MOST_ADDED; $added++) {
                $difference = self::judged($evaluators, $tasks, [0, $n + 1], [$total, $added]) + MixScore::effort(1, $added);
                if ($difference < $best) {
                    $best = $difference;
                    $found = [$place, $added];
                }
            }
        }
        if ($found === null) {
            return null;
        }
        $drops = $base->drops;
        $drops[$found[0]] = ($drops[$found[0]] ?? 0) + $found[1];

        return $stack[$index]->mixed($drops, true);
    }

    /**
     * Grown from an earlier cup where that comes near enough, else a cup of its own.
     *
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  array<string, float>  $weights
     * @param  list<int>  $pots
     */
    public function grownOrFound(array $stack, int $index, int $from, array $weights, array $pots): ?ProposedLayer
    {
        $grown = $this->grown($stack, $index, $from, $weights, $pots);
        $found = $this->found($stack, $index, $weights, $pots, 2);
        if ($grown === null || $found === null) {
            return $grown ?? $found;
        }
        $with = fn (ProposedLayer $layer): float => $this->missed([...array_slice($stack, 0, $index), $layer, ...array_slice($stack, $index + 1)], $weights);

        return $with($grown) <= $with($found) + self::WORTH_A_CUP ? $grown : $found;
    }

    /**
     * Other ratios of the same pots, now that all layers are there.
     *
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  array<string, float>  $weights
     */
    public function polished(array $stack, int $index, array $weights): ProposedLayer
    {
        $layer = $stack[$index];
        $places = array_keys($layer->drops);
        $tasks = $this->tasks($stack, $index, $weights, 3);
        if ($tasks === [] || count($places) < 2 || count($places) > 3 || $layer->grown) {
            return $layer;
        }
        $paints = array_map(fn (int $place): PaintOptics => $this->shelf[$place]->optics, $places);
        $evaluators = array_map(static fn (array $task): MixEvaluator => new MixEvaluator($paints, $task[0]), $tasks);
        $best = INF;
        $drops = $layer->drops;
        foreach (DropRatios::upTo(count($places), 12) as $ratio) {
            $counts = array_slice($ratio, 0, count($places));
            $score = self::judged($evaluators, $tasks, array_keys($places), $counts) + MixScore::effort(count($places), array_sum($counts));
            if ($score < $best) {
                $best = $score;
                $drops = array_combine($places, $counts);
            }
        }

        return $layer->mixed($drops ?: $layer->drops);
    }

    /**
     * @param  list<ProposedLayer>  $stack
     * @param  array<string, float>  $weights  by zone; all that have a target by default
     * @return float weighted mean CIEDE2000 of the finished zones
     */
    public function missed(array $stack, array $weights = []): float
    {
        $top = $this->section($stack)->top();
        $sum = $of = 0.0;
        foreach ($this->targets as $zone => $target) {
            $weight = $weights === [] ? Zone::from($zone)->usualShare() : ($weights[$zone] ?? 0.0);
            $seen = $top->cell(Zone::from($zone))->seen;
            $sum += $weight * Ciede2000::between($target->lightness, $target->a, $target->b, $seen->lightness, $seen->a, $seen->b);
            $of += $weight;
        }

        return $of > 0 ? $sum / $of : 0.0;
    }

    /**
     * The pots nearest to any of the targets, and those that stretch farthest: enough to mix from, fewer to search.
     *
     * @param  list<int>  $pots
     * @return list<int>
     */
    public function shortlisted(array $pots, int $most = 3 * self::SHORTLIST): array
    {
        if (count($pots) <= $most) {
            return $pots;
        }
        $masstones = [];
        $evaluator = new MixEvaluator(array_map(fn (int $place): PaintOptics => $this->shelf[$place]->optics, $pots), MixTask::of(Lab::of(50, 0, 0), Placement::masstone()));
        foreach ($pots as $n => $place) {
            $masstones[$place] = $evaluator->lab([$n], [1]);
        }
        $kept = [];
        foreach ($this->targets as $target) {
            $near = array_map(static fn (array $lab): float => Ciede2000::between($target->lightness, $target->a, $target->b, $lab[0], $lab[1], $lab[2]), $masstones);
            asort($near);
            $kept += array_slice($near, 0, self::SHORTLIST, true);
        }
        // Whites, blacks and the most chromatic of each sixth of the hues steer any mix.
        foreach ([[1, 0], [-1, 0]] as [$sign]) {
            $by = array_map(static fn (array $lab): float => -$sign * $lab[0], $masstones);
            asort($by);
            $kept += array_slice($by, 0, 3, true);
        }
        for ($hue = 0; $hue < 360; $hue += 60) {
            $by = array_map(static fn (array $lab): float => -($lab[1] * cos(deg2rad($hue)) + $lab[2] * sin(deg2rad($hue))), $masstones);
            asort($by);
            $kept += array_slice($by, 0, 2, true);
        }
        $places = array_keys($kept);
        sort($places);

        return $places;
    }

    /**
     * @param  list<ProposedLayer>  $stack
     * @return list<Layer>
     */
    private function layers(array $stack): array
    {
        return array_map(fn (ProposedLayer $layer): Layer => $layer->toLayer($this->shelf, $this->practice), $stack);
    }

    /**
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  array<string, float>  $weights
     * @return list<array{MixTask, float}>
     */
    private function tasks(array $stack, int $index, array $weights, int $maxPaints): array
    {
        $layers = $this->layers($stack);
        $tasks = [];
        foreach ($this->targets as $zone => $target) {
            $weight = $weights[$zone] ?? 0.0;
            $task = $weight <= 0.0 || $layers === [] ? null : LayerTask::of($this->prediction, $this->start, $layers, $index, Zone::from($zone), $target, $maxPaints);
            if ($task !== null) {
                $tasks[] = [$task, $weight];
            }
        }

        return $tasks;
    }

    /**
     * @param  list<MixEvaluator>  $evaluators
     * @param  list<array{MixTask, float}>  $tasks
     * @param  list<int>  $paints
     * @param  list<int>  $drops
     */
    private static function judged(array $evaluators, array $tasks, array $paints, array $drops): float
    {
        $sum = $of = 0.0;
        foreach ($evaluators as $n => $evaluator) {
            $sum += $tasks[$n][1] * $evaluator->difference($evaluator->lab($paints, $drops));
            $of += $tasks[$n][1];
        }

        return $sum / $of;
    }

    /**
     * @param  list<int>  $pots
     * @return non-empty-array<int, int>
     */
    private static function places(FoundMix $mix, array $pots): array
    {
        $drops = [];
        foreach ($mix->drops as $n => $count) {
            $drops[$pots[$n]] = $count;
        }

        return $drops;
    }
}

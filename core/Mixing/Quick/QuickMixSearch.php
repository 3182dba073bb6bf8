<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

use Hyalin\Colour\ColourMetric;
use Hyalin\Mixing\Found\MixAnswer;
use Hyalin\Mixing\Found\MixScore;
use Hyalin\Mixing\Found\SearchEnding;
use Hyalin\Mixing\Task\InvalidMixTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\PaintOptics;

/**
 * The best mixes without trying them all. In rounds: the shelf is made linear around a base mix (LocalModel); sets of
 * paints whose segment or triangle passes near the target (NearestHulls) are refined around themselves; the best of
 * their whole-drop ratios are computed exactly; the best mix so far becomes the next base, until it stays. Then a few
 * unlike bases are tried, against the errors of making the shelf linear only once.
 */
final class QuickMixSearch
{
    /** CIEDE2000 beyond which a colour is out of reach, and looked for in another way. */
    private const REACHED = 2.5;

    private readonly MixEvaluator $evaluator;

    private readonly Candidates $kept;

    private readonly ColourMetric $metric;

    /** @var array<int, array<int, true>> sets already refined, by number of paints and the key of NearestHulls */
    private array $tried = [];

    /** @var array<string, true> sets that were the base of a round */
    private array $used = [];

    /** @var array<int, float> by paint: the best corrected score of a mix that holds it */
    private array $estimates = [];

    /** @var array<int, array{list<int>, list<float>}> by paint: that mix, as its paints and volume fractions */
    private array $bases = [];

    /** @param  list<PaintOptics>  $paints */
    private function __construct(array $paints, private readonly MixTask $task, private readonly SearchEffort $effort)
    {
        $this->evaluator = new MixEvaluator($paints, $task);
        // More sets than asked for are kept as bases to go on from.
        $this->kept = new Candidates(max(24, $task->top), $task->target->white);
        $this->metric = ColourMetric::at($task->target->lightness, $task->target->a, $task->target->b);
    }

    /**
     * @param  list<PaintOptics>  $paints
     *
     * @throws InvalidMixTask on an empty shelf
     */
    public static function find(array $paints, MixTask $task, ?SearchEffort $effort = null): MixAnswer
    {
        if ($paints === []) {
            throw InvalidMixTask::emptyShelf();
        }
        $search = new self($paints, $task, $effort ?? SearchEffort::forShelf(count($paints)));
        $search->run();
        $search->far();
        $search->finish();
        $mixes = array_slice($search->kept->mixes(), 0, $task->top);

        return new MixAnswer(
            $mixes ?: throw new \LogicException('the best single paint is always kept'),
            SearchEnding::Settled,
            $search->evaluator->evaluations(),
        );
    }

    private function run(): void
    {
        for ($i = 0; $i < $this->evaluator->count(); $i++) {
            $this->offer([$i], [1]);
        }
        if ($this->task->maxPaints === 1) {
            return;
        }
        $ideal = LocalModel::aroundTarget($this->evaluator);
        if ($ideal !== null) {
            $this->round($ideal, $this->task->maxPaints);
        } else {
            // Nothing has this colour. The best single is too far from it to judge triangles by: pairs come first.
            $this->round(LocalModel::around($this->evaluator, $this->kept->sets()[0], [1.0]), 2);
        }
        for ($pass = 0; $pass < $this->effort->passes; $pass++) {
            if ($pass > 0 && $this->kept->best() < $this->effort->content) {
                break;
            }
            $this->aroundEveryPaint($this->effort->worthwhile / ($pass + 1));
        }
        for ($round = 0; $round < $this->effort->rounds; $round++) {
            $this->roundFromBestUnused();
        }
    }

    private function roundFromBestUnused(): void
    {
        foreach ($this->kept->mixes() as $mix) {
            $set = array_keys($mix->drops);
            $key = implode(',', $set);
            if (! isset($this->used[$key])) {
                $this->used[$key] = true;
                $total = $mix->totalDrops();
                $fractions = array_map(static fn (int $d): float => $d / $total, array_values($mix->drops));
                $this->round(LocalModel::around($this->evaluator, $set, $fractions), $this->task->maxPaints);

                return;
            }
        }
    }

    /**
     * A linear model is poor for mixes unlike its base. So each paint gets a base of its own, the best mix known that
     * holds it, and is joined from there by every one and two others: each triple is judged from three bases that
     * share a paint with it. Paints whose best mix is more than $worthwhile behind the best are left out.
     */
    private function aroundEveryPaint(float $worthwhile): void
    {
        asort($this->estimates);
        foreach ($this->estimates as $i => $estimate) {
            [$set, $fractions] = $this->bases[$i];
            $key = $i.':'.implode(',', $set);
            if ($estimate > $this->kept->best() + $worthwhile || isset($this->used[$key])) {
                continue;
            }
            $this->used[$key] = true;
            $base = LocalModel::around($this->evaluator, $set, $fractions);
            $points = $base->everything();
            $best = $this->kept->best();
            $margin = $this->effort->margin;
            $hulls = new NearestHulls($points, $this->task->maxDrops);
            $this->tryOut($points, $hulls->pairsWith($i, 0, $best + 2 * $margin), 2, 2 * $margin);
            if ($this->task->maxPaints < 3 || $best + $margin < MixScore::effort(3, 3)) {
                continue;
            }
            $this->tryOut($points, $hulls->triplesWith($i, 0, $this->reach($best, $margin), $best + $margin), 3, $margin);
        }
    }

    /** How near the target the plane of a triangle must pass for the triple to be worth a look. */
    private function reach(float $best, float $margin): float
    {
        return max(0.05, $best - MixScore::effort(3, 3) + $margin) * $this->effort->reach;
    }

    /** Out of reach the linear model misleads: see FarSets. Every ratio of what is found there is tried. */
    private function far(): void
    {
        if (! $this->effort->far || $this->task->maxPaints < 2 || $this->kept->mixes()[0]->difference <= self::REACHED) {
            return;
        }
        foreach (FarSets::of($this->evaluator, $this->task->maxPaints) as $set) {
            foreach (DropRatios::upTo(count($set), $this->task->maxDrops) as $ratio) {
                $this->offer($set, array_slice($ratio, 0, count($set)));
            }
        }
    }

    /** Every ratio of the sets that are left: the linear model only chose among them. */
    private function finish(): void
    {
        foreach (array_slice($this->kept->sets(), 0, 2) as $set) {
            foreach (DropRatios::upTo(count($set), $this->task->maxDrops) as $ratio) {
                $this->offer($set, array_slice($ratio, 0, count($set)));
            }
        }
    }

    private function round(LocalModel $base, int $maxPaints): void
    {
        $points = $base->everything();
        $this->coverEveryPaint($points);
        $margin = $this->effort->margin + 0.15 * min(10.0, $base->difference);
        $hulls = new NearestHulls($points, $this->task->maxDrops);
        $this->tryOut($points, $hulls->pairs($this->kept->best() + $margin), 2, $margin);
        $best = $this->kept->best();
        if ($maxPaints < 3 || $best + $margin < MixScore::effort(3, 3)) {
            return;
        }
        $this->tryOut($points, $hulls->triples($this->reach($best, $margin), $best + $margin, 2 * $this->effort->mostSets), 3, $margin);
    }

    /**
     * Sees to it that each paint has some mix that holds it.
     */
    private function coverEveryPaint(PaintPoints $points): void
    {
        if (count($this->estimates) === $this->evaluator->count()) {
            return;
        }
        for ($i = 0; $i < $this->evaluator->count(); $i++) {
            if (! isset($this->estimates[$i])) {
                $pairs = (new NearestHulls($points, $this->task->maxDrops))->pairsWith($i, 0, INF);
                if ($pairs !== []) {
                    $key = array_search(min($pairs), $pairs, true);
                    $this->corrected([intdiv((int) $key, 65536), (int) $key % 65536], $points, INF);
                }
            }
        }
    }

    /**
     * @param  array<int, float>  $scores  linear score by the key of NearestHulls
     */
    private function tryOut(PaintPoints $points, array $scores, int $paints, float $margin): void
    {
        asort($scores);
        $left = $this->effort->mostSets;
        $promising = [];
        foreach ($scores as $key => $score) {
            if ($left-- === 0 || $score > $this->kept->best() + $margin) {
                break;
            }
            if (isset($this->tried[$paints][$key])) {
                continue;
            }
            $set = $paints === 2 ? [$key >> 16, $key & 0xFFFF] : [$key >> 32, $key >> 16 & 0xFFFF, $key & 0xFFFF];
            $corrected = $this->corrected($set, $points, $this->kept->best() + $this->effort->closer);
            if ($corrected === null) {
                continue;
            }
            [$estimate, $fractions] = $corrected;
            if ($estimate <= $this->kept->best() + $this->effort->closer) {
                $promising[$key] = [$estimate, $set, $fractions];
            }
        }
        uasort($promising, static fn (array $p, array $q): int => $p[0] <=> $q[0]);
        foreach ($promising as $key => [$estimate, $set, $fractions]) {
            if ($estimate > $this->kept->best() + $this->effort->closer) {
                break;
            }
            $this->tried[$paints][$key] = true;
            $this->refine($set, $fractions);
        }
    }

    /**
     * The linear score of a set after one exact colour: the points are moved by what the linear model got wrong
     * there.
     *
     * @param  list<int>  $set
     * @param  float  $limit  no score above this is worth computing
     * @return array{float, list<float>}|null score and the volume fractions it is near; null when it is sure to be
     *                                        above the limit
     */
    private function corrected(array $set, PaintPoints $points, float $limit): ?array
    {
        $points = $points->only($set);
        $target = $this->task->target;
        [$fractions, $lx, $ly, $lz] = (new WholeDrops($points, $this->task->maxDrops))->foot();
        $lab = $this->evaluator->labOf($set[0], $set[1], $set[2] ?? $set[0], $fractions[0], $fractions[1], $fractions[2] ?? 0.0);
        [$ex, $ey, $ez] = $this->metric->of([
            $lab[0] - $target->lightness,
            $lab[1] - $target->a,
            $lab[2] - $target->b,
        ]);
        $drops = new WholeDrops($points->moved($ex - $lx, $ey - $ly, $ez - $lz), $this->task->maxDrops);
        // No ratio can bring the moved triangle nearer than its plane.
        if (isset($set[2]) && $drops->planeDistance() > $limit - MixScore::effort(3, 3)) {
            return null;
        }
        [$fractions, $lx, $ly, $lz] = $drops->foot();
        $estimate = isset($fractions[2])
            ? $drops->score(0, 1, 2, $fractions[0], $fractions[1], $fractions[2], 1e6)
            : sqrt($lx * $lx + $ly * $ly + $lz * $lz) + MixScore::effort(2, 2);
        foreach ($set as $member) {
            if ($estimate < ($this->estimates[$member] ?? INF)) {
                $this->estimates[$member] = $estimate;
                $this->bases[$member] = [$set, $fractions];
            }
        }

        return [$estimate, $fractions];
    }

    /**
     * @param  list<int>  $set
     * @param  list<float>  $fractions
     */
    private function refine(array $set, array $fractions): void
    {
        $local = LocalModel::around($this->evaluator, $set, $fractions);
        $drops = new WholeDrops($local->points($set), $this->task->maxDrops);
        [$fractions] = $drops->foot();
        foreach ($drops->around($fractions, $this->effort->ratios) as [$score, $ratio]) {
            if ($score > $this->kept->limit() + 0.3) {
                return;
            }
            $this->offer($set, $ratio);
        }
    }

    /**
     * @param  list<int>  $set
     * @param  list<int>  $drops
     */
    private function offer(array $set, array $drops): void
    {
        $lab = $this->evaluator->lab($set, $drops);
        $this->kept->offer($set, $drops, $lab, $this->evaluator->difference($lab));
    }
}

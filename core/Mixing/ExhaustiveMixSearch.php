<?php

declare(strict_types=1);

namespace Hyalin\Mixing;

use Hyalin\Mixing\Found\MixAnswer;
use Hyalin\Mixing\Found\MixScore;
use Hyalin\Mixing\Found\SearchEnding;
use Hyalin\Mixing\Quick\Candidates;
use Hyalin\Mixing\Quick\DropRatios;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Task\InvalidMixTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\PaintOptics;
use Hyalin\Progress;

/**
 * Every mix of the shelf, one after the other: slow, plain, and the yardstick for the quick search.
 */
final class ExhaustiveMixSearch
{
    /**
     * CIEDE2000 is at least |dL*| / 1.7472, S_L's largest value (at L* = 100, where the mean is farthest from 50):
     * most mixes are ruled out before the whole formula is computed.
     */
    private const LARGEST_SL = 1.7472;

    /**
     * @param  list<PaintOptics>  $paints
     *
     * @throws InvalidMixTask on an empty shelf
     */
    public static function find(array $paints, MixTask $task, ?Progress $progress = null): MixAnswer
    {
        return self::findAll($paints, [$task], $progress)[0];
    }

    /** @return int how many mixes an exhaustive search of $paints paints computes */
    public static function size(int $paints, MixTask $task): int
    {
        $sets = [1 => $paints, 2 => intdiv($paints * ($paints - 1), 2)];
        $sets[3] = intdiv($sets[2] * max(0, $paints - 2), 3);
        $size = 0;
        for ($n = 1; $n <= $task->maxPaints; $n++) {
            $size += $sets[$n] * count(DropRatios::upTo($n, $task->maxDrops));
        }

        return $size;
    }

    /**
     * Several targets in one pass over the mixes; all tasks must differ in their target only.
     *
     * @param  list<PaintOptics>  $paints
     * @param  non-empty-list<MixTask>  $tasks
     * @return non-empty-list<MixAnswer> one for each task
     *
     * @throws InvalidMixTask on an empty shelf
     */
    public static function findAll(array $paints, array $tasks, ?Progress $progress = null): array
    {
        if ($paints === []) {
            throw InvalidMixTask::emptyShelf();
        }
        $task = $tasks[0];
        $evaluator = new MixEvaluator($paints, $task);
        $evaluators = array_map(static fn (MixTask $t): MixEvaluator => new MixEvaluator([], $t), $tasks);
        $kept = array_map(static fn (MixTask $t): Candidates => new Candidates($t->top, $t->target->white), $tasks);
        $lightness = array_map(static fn (MixTask $t): float => $t->target->lightness, $tasks);
        $limits = array_fill(0, count($tasks), INF);
        $ended = true;
        $size = self::size(count($paints), $task);
        $done = 0;
        for ($n = 1; $n <= $task->maxPaints && $ended; $n++) {
            $ratios = DropRatios::upTo($n, $task->maxDrops);
            foreach (self::sets(count($paints), $n) as $set) {
                foreach ($ratios as $ratio) {
                    $drops = array_slice($ratio, 0, $n);
                    $lab = $evaluator->lab($set, $drops);
                    $effort = MixScore::effort($n, $ratio[0] + $ratio[1] + $ratio[2]);
                    foreach ($limits as $i => $limit) {
                        if (abs($lab[0] - $lightness[$i]) / self::LARGEST_SL + $effort > $limit) {
                            continue;
                        }
                        $difference = $evaluators[$i]->difference($lab);
                        if ($difference + $effort <= $limit) {
                            $kept[$i]->offer($set, $drops, $lab, $difference);
                            $limits[$i] = $kept[$i]->limit();
                        }
                    }
                }
                $before = $done;
                $done += count($ratios);
                // About every 20 000 mixes, a few hundredths of a second.
                if ($progress !== null && intdiv($before, 20_000) !== intdiv($done, 20_000) && ! $progress->at($done / $size)) {
                    $ended = false;
                    break;
                }
            }
        }
        $ending = $ended ? SearchEnding::Proven : SearchEnding::Stopped;

        return array_map(static fn (Candidates $c): MixAnswer => new MixAnswer(
            $c->mixes() ?: throw new \LogicException('the first mix is always kept'),
            $ending,
            $evaluator->evaluations(),
        ), $kept);
    }

    /** @return iterable<list<int>> all sets of $n places, ascending */
    private static function sets(int $count, int $n): iterable
    {
        for ($i = 0; $i < $count; $i++) {
            if ($n === 1) {
                yield [$i];

                continue;
            }
            for ($j = $i + 1; $j < $count; $j++) {
                if ($n === 2) {
                    yield [$i, $j];

                    continue;
                }
                for ($m = $j + 1; $m < $count; $m++) {
                    yield [$i, $j, $m];
                }
            }
        }
    }
}

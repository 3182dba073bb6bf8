<?php

declare(strict_types=1);

namespace Hyalin\Mixing;

use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Lab;
use Hyalin\Mixing\Found\FoundMix;
use Hyalin\Mixing\Found\MixScore;
use Hyalin\Mixing\Quick\DropRatios;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\PaintOptics;

/**
 * A mix of fewer pots or fewer drops that the eye would not tell from the best one. Nobody counts twelve drops for a cloak of two
 * square centimetres.
 */
final class SimplerMix
{
    /** CIEDE2000 between two mixes that the eye does not tell apart. */
    private const SAME = 1.0;

    /** And by which it may be farther from the target. */
    private const FARTHER = 0.5;

    /**
     * @param  list<PaintOptics>  $paints
     * @param  FoundMix  $best  of those paints for that task
     * @return FoundMix|null of the same pots or some of them; null when there is none
     */
    public static function of(array $paints, MixTask $task, FoundMix $best): ?FoundMix
    {
        $evaluator = new MixEvaluator($paints, $task);
        $all = array_keys($best->drops);
        foreach (self::subsets($all) as $set) {
            foreach (DropRatios::upTo(count($set), $task->maxDrops) as $ratio) {
                $drops = array_slice($ratio, 0, count($set));
                if (count($set) === count($all) && array_sum($drops) >= $best->totalDrops()) {
                    break;
                }
                $lab = $evaluator->lab($set, $drops);
                $difference = $evaluator->difference($lab);
                if ($difference <= $best->difference + self::FARTHER && Ciede2000::between(...$best->lab->toArray(), ...$lab) <= self::SAME) {
                    return new FoundMix(array_combine($set, $drops) ?: $best->drops, Lab::of(...$lab, white: $best->lab->white), $difference, MixScore::of($difference, count($set), array_sum($drops)));
                }
            }
        }

        return null;
    }

    /**
     * @param  list<int>  $set  ascending
     * @return list<list<int>> fewest pots first, itself last
     */
    private static function subsets(array $set): array
    {
        $subsets = [];
        for ($mask = 1; $mask < 1 << count($set); $mask++) {
            $subsets[] = array_values(array_filter($set, static fn (int $i): bool => ($mask >> $i & 1) === 1, ARRAY_FILTER_USE_KEY));
        }
        usort($subsets, static fn (array $p, array $q): int => count($p) <=> count($q));

        return $subsets;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Training;

use Hyalin\Colour\Lab;
use Random\Randomizer;

/**
 * Colours to be compared by lightness, out of those that one has: as far apart as is asked, as different else as can be.
 */
final class Shades
{
    /** Of so many pairs that fit about as well one is drawn. */
    private const CHOICE = 12;

    /**
     * @param  list<Lab>  $colours  at least two
     * @param  float  $apart  L* between the two
     * @return array{int, int} places of two of them
     *
     * @throws InvalidTask when there are not two
     */
    public static function pair(array $colours, float $apart, Randomizer $random): array
    {
        $pairs = [];
        foreach ($colours as $i => $p) {
            foreach ($colours as $j => $q) {
                if ($j > $i && $p->lightness !== $q->lightness) {
                    $pairs[] = [abs(log(abs($p->lightness - $q->lightness) / $apart)), $i, $j];
                }
            }
        }
        if ($pairs === []) {
            throw InvalidTask::tooFewColours(count($colours), 2);
        }
        sort($pairs);
        [, $i, $j] = $pairs[$random->getInt(0, min(self::CHOICE, count($pairs)) - 1)];

        return $random->getInt(0, 1) === 1 ? [$i, $j] : [$j, $i];
    }

    /**
     * @param  list<Lab>  $colours
     * @param  float  $apart  L* between neighbours
     * @return list<int> places of so many, in no order
     *
     * @throws InvalidTask when there are fewer
     */
    public static function several(array $colours, int $count, float $apart, Randomizer $random): array
    {
        if (count($colours) < $count || $colours === []) {
            throw InvalidTask::tooFewColours(count($colours), $count);
        }
        $lightness = array_map(static fn (Lab $c): float => $c->lightness, $colours);
        $span = $apart * ($count - 1);
        $from = min($lightness) + max(0.0, max($lightness) - min($lightness) - $span) * $random->getInt(0, 1000) / 1000;
        $taken = [];
        for ($n = 0; $n < $count; $n++) {
            $best = null;
            foreach ($lightness as $place => $l) {
                if (! in_array($place, $taken, true) && ($best === null || abs($l - $from - $n * $apart) < abs($lightness[$best] - $from - $n * $apart))) {
                    $best = $place;
                }
            }
            if ($best !== null) {
                $taken[] = $best;
            }
        }

        return $random->shuffleArray($taken);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

/**
 * Sets of paints for a colour that nothing on the shelf comes near. There the shelf made linear around a base misleads: what is
 * nearest lies on the rim of what can be mixed, far from any base. So all pairs are computed exactly at a few ratios, the best
 * of them joined by every third paint, and what comes near is climbed from ratio to ratio.
 */
final class FarSets
{
    /** Shares of the first paint that a pair is tried at: fine near the ends, where a strong paint rules. */
    private const SHARES = [1 / 12, 1 / 8, 1 / 5, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4, 4 / 5, 7 / 8, 11 / 12];

    /** Shares of a third paint added to a pair. */
    private const THIRDS = [1 / 12, 1 / 5, 1 / 2, 3 / 4];

    /** Pairs that are joined by a third: on a large shelf the best of them, and the best of every paint. */
    private const PAIRS = 80;

    /** ... fewer on a shelf of more than this many pots. */
    private const LARGE = 120;

    private const FEWER = 30;

    /** Sets returned. */
    private const KEPT = 70;

    private function __construct(private readonly MixEvaluator $evaluator)
    {
    }

    /**
     * @return list<list<int>> sets of two or three paints, most promising first; each in shelf order
     */
    public static function of(MixEvaluator $evaluator, int $maxPaints): array
    {
        $far = new self($evaluator);
        $pairs = $far->pairs();
        $sets = [];
        foreach ($pairs as [$difference, $i, $j]) {
            $sets["{$i},{$j}"] = [$difference, [$i, $j]];
        }
        if ($maxPaints > 2) {
            foreach ($far->triples($pairs) as $key => $set) {
                $sets[$key] = $set;
            }
        }
        uasort($sets, static fn (array $p, array $q): int => $p[0] <=> $q[0]);

        return array_values(array_map(static fn (array $s): array => $s[1], array_slice($sets, 0, self::KEPT)));
    }

    /** @return list<array{float, int, int, float}> difference, the two paints, the share of the first; nearest first */
    private function pairs(): array
    {
        $pairs = [];
        $count = $this->evaluator->count();
        for ($i = 0; $i < $count; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                $best = INF;
                $at = 0.5;
                foreach (self::SHARES as $share) {
                    $difference = $this->evaluator->difference($this->evaluator->labOf($i, $j, $i, $share, 1 - $share, 0.0));
                    if ($difference < $best) {
                        $best = $difference;
                        $at = $share;
                    }
                }
                $pairs[] = [$best, $i, $j, $at];
            }
        }
        usort($pairs, static fn (array $p, array $q): int => $p[0] <=> $q[0]);

        return $pairs;
    }

    /**
     * @param  list<array{float, int, int, float}>  $pairs
     * @return array<string, array{float, list<int>}> by set
     */
    private function triples(array $pairs): array
    {
        $chosen = array_slice($pairs, 0, $this->evaluator->count() > self::LARGE ? self::FEWER : self::PAIRS);
        // The best pair of every paint as well: the third that is missing may be one that pairs badly.
        $seen = [];
        foreach ($pairs as $pair) {
            if (! isset($seen[$pair[1]], $seen[$pair[2]])) {
                $chosen[] = $pair;
                $seen[$pair[1]] = $seen[$pair[2]] = true;
            }
        }
        $sets = [];
        foreach ($chosen as [, $i, $j, $share]) {
            for ($m = 0; $m < $this->evaluator->count(); $m++) {
                if ($m === $i || $m === $j) {
                    continue;
                }
                $set = [$i, $j, $m];
                sort($set);
                $key = implode(',', $set);
                $best = $sets[$key][0] ?? INF;
                foreach (self::THIRDS as $third) {
                    $rest = 1 - $third;
                    $best = min($best, $this->evaluator->difference($this->evaluator->labOf($i, $j, $m, $rest * $share, $rest * (1 - $share), $third)));
                }
                $sets[$key] = [$best, $set];
            }
        }

        return $sets;
    }
}

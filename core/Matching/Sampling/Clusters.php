<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

/**
 * Weighted k-means (S. P. Lloyd, Least squares quantization in PCM, IEEE Transactions on Information Theory 28, 1982), begun
 * with the cells that lie farthest from each other and from what is already there, so that it ends the same each time.
 */
final class Clusters
{
    private const ROUNDS = 24;

    /**
     * @param  non-empty-list<array{float, float, float, float}>  $cells  three coordinates and a weight above 0
     * @param  int  $most  1..16
     * @return non-empty-list<array{float, float, float, float}> centres with the weight that lies nearest to each
     */
    public static function of(array $cells, int $most): array
    {
        $centres = self::seeds($cells, $most);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $next = self::means($cells, $centres);
            if ($next === $centres) {
                break;
            }
            $centres = $next;
        }

        return $centres;
    }

    /**
     * The heaviest cell, then always the one with the largest weight times squared distance.
     *
     * @param  non-empty-list<array{float, float, float, float}>  $cells
     * @return non-empty-list<array{float, float, float, float}>
     */
    private static function seeds(array $cells, int $most): array
    {
        $first = 0;
        foreach ($cells as $i => $cell) {
            if ($cell[3] > $cells[$first][3]) {
                $first = $i;
            }
        }
        $seeds = [$cells[$first]];
        $nearest = array_map(static fn (array $c): float => self::squared($c, $seeds[0]), $cells);
        while (count($seeds) < $most) {
            $farthest = 0;
            foreach ($cells as $i => $cell) {
                if ($cells[$farthest][3] * $nearest[$farthest] < $cell[3] * $nearest[$i]) {
                    $farthest = $i;
                }
            }
            if ($nearest[$farthest] <= 0.0) {
                break;
            }
            $seed = $cells[$farthest];
            $seeds[] = $seed;
            foreach ($cells as $i => $cell) {
                $nearest[$i] = min($nearest[$i], self::squared($cell, $seed));
            }
        }

        return $seeds;
    }

    /**
     * @param  non-empty-list<array{float, float, float, float}>  $cells
     * @param  non-empty-list<array{float, float, float, float}>  $centres
     * @return non-empty-list<array{float, float, float, float}>
     */
    private static function means(array $cells, array $centres): array
    {
        $sums = array_map(static fn (): array => [0.0, 0.0, 0.0, 0.0], $centres);
        foreach ($cells as $cell) {
            $best = 0;
            $least = INF;
            foreach ($centres as $i => $centre) {
                $d = self::squared($cell, $centre);
                if ($d < $least) {
                    $least = $d;
                    $best = $i;
                }
            }
            [$l, $a, $b, $n] = $sums[$best] ?? [0.0, 0.0, 0.0, 0.0];
            $sums[$best] = [$l + $cell[3] * $cell[0], $a + $cell[3] * $cell[1], $b + $cell[3] * $cell[2], $n + $cell[3]];
        }
        $means = [];
        foreach ($sums as [$l, $a, $b, $n]) {
            if ($n > 0) {
                $means[] = [$l / $n, $a / $n, $b / $n, $n];
            }
        }

        return $means ?: $centres;
    }

    /**
     * @param  array{float, float, float, float}  $p
     * @param  array{float, float, float, float}  $q
     */
    public static function squared(array $p, array $q): float
    {
        return ($p[0] - $q[0]) ** 2 + ($p[1] - $q[1]) ** 2 + ($p[2] - $q[2]) ** 2;
    }
}

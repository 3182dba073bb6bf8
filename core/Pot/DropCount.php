<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * A recipe counted out: whole drops, each pot from its own dropper.
 */
final class DropCount
{
    /** Of its share, that a pot may have more or less without the eye telling: own estimate. */
    private const SHARE = 0.1;

    /** Drops beyond the smallest cup that are tried: a share smaller than that cannot be counted out. */
    private const MOST_TRIED = 1000;

    /**
     * The smallest cup that is large enough and has each pot's share of the volume within a tenth of what the recipe says; the
     * largest that was tried where one pot's share is too small for that.
     *
     * @param  non-empty-list<int|float>  $parts  of each pot by volume, > 0
     * @param  list<float>  $droppers  mL of one drop of each; a usual one where it is missing
     * @param  float  $least  mL of paint that are needed
     * @return non-empty-list<int> drops of each pot, at least one
     */
    public static function of(array $parts, array $droppers, float $least): array
    {
        $droppers = array_map(static fn (int $n): float => $droppers[$n] ?? Volume::DROP, array_keys($parts));
        $weights = array_map(static fn (int|float $p, float $drop): float => $p / $drop, $parts, $droppers);
        $all = array_sum($parts);
        $meanDrop = $all / array_sum($weights);
        $total = max(count($parts), (int) ceil($least / $meanDrop - 1e-9));
        for ($end = $total + self::MOST_TRIED; ; $total++) {
            $drops = self::shared($weights, $total);
            $volumes = array_map(static fn (int $count, float $drop): float => $count * $drop, $drops, $droppers);
            $volume = array_sum($volumes);
            $isRight = $volume >= $least - 1e-9;
            foreach ($parts as $n => $part) {
                $isRight = $isRight && abs($volumes[$n] * $all - $part * $volume) <= self::SHARE * $part * $volume + 1e-9;
            }
            if ($isRight || $total === $end) {
                return $drops;
            }
        }
    }

    /**
     * @param  non-empty-list<float>  $weights
     * @return non-empty-list<int> so many drops by largest remainder, at least one of each
     */
    private static function shared(array $weights, int $total): array
    {
        $all = array_sum($weights);
        $exact = array_map(static fn (float $w): float => $w * $total / $all, $weights);
        $drops = array_map(static fn (float $share): int => max(1, (int) floor($share + 1e-9)), $exact);
        $left = array_map(static fn (float $share, int $count): float => $share - $count, $exact, $drops);
        arsort($left);
        foreach (array_keys($left) as $n) {
            $drops[$n] += array_sum($drops) < $total ? 1 : 0;
        }
        ksort($drops);

        return array_values($drops);
    }
}

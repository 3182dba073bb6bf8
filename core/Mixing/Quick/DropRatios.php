<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

/**
 * All whole-drop ratios of one, two or three paints with at most so many drops, each in lowest terms: 2 + 2 is 1 + 1.
 */
final class DropRatios
{
    /**
     * @param  int  $paints  1..3
     * @return list<array{int, int, int}> drops of the first, second, third paint; 0 where there is none. Ordered by
     *                                    the sum of drops. 45 pairs and 196 triples for 12 drops
     */
    public static function upTo(int $paints, int $maxDrops): array
    {
        $ratios = match ($paints) {
            1 => [[1, 0, 0]],
            2 => self::pairs($maxDrops),
            default => self::triples($maxDrops),
        };
        usort($ratios, static fn (array $p, array $q): int => array_sum($p) <=> array_sum($q));

        return $ratios;
    }

    /** @return list<array{int, int, int}> */
    private static function pairs(int $maxDrops): array
    {
        $ratios = [];
        for ($a = 1; $a < $maxDrops; $a++) {
            for ($b = 1; $a + $b <= $maxDrops; $b++) {
                if (self::gcd($a, $b) === 1) {
                    $ratios[] = [$a, $b, 0];
                }
            }
        }

        return $ratios;
    }

    /** @return list<array{int, int, int}> */
    private static function triples(int $maxDrops): array
    {
        $ratios = [];
        for ($a = 1; $a < $maxDrops; $a++) {
            for ($b = 1; $a + $b < $maxDrops; $b++) {
                for ($c = 1; $a + $b + $c <= $maxDrops; $c++) {
                    if (self::gcd($a, self::gcd($b, $c)) === 1) {
                        $ratios[] = [$a, $b, $c];
                    }
                }
            }
        }

        return $ratios;
    }

    /** @return int greatest common divisor; of a number and 0, the number */
    public static function gcd(int $a, int $b): int
    {
        return $b === 0 ? $a : self::gcd($b, $a % $b);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The shortest line along a surface from one vertex to another, looked for from both ends at once, which goes over half as much of it
 * (I. Pohl, Bi-directional search, 1971); each end by buckets of about the same length, as in Ways.
 */
final class ShortestLine
{
    /** Width of a bucket, mm or their cost. */
    private const BUCKET = 1.0;

    /**
     * Flat lists over all vertices.
     *
     * @param  list<float>  $cost  of a mm to each vertex, more than 0
     * @return list<int> vertices, both ends among them; empty when no way leads from one to the other
     */
    public static function between(SurfaceGraph $surface, array $cost, int $from, int $to): array
    {
        $there = LineFront::from($from, \count($cost), isBack: false);
        $back = LineFront::from($to, \count($cost), isBack: true);
        $least = $from === $to ? 0.0 : \INF;
        $meet = $from;
        // What neither has come to yet is a bucket or more away from both.
        for ($k = 0; $there->open !== [] && $back->open !== [] && $least > 2 * $k * self::BUCKET; $k++) {
            // Over what is empty at once: a stray vertex may lie a million buckets away.
            $k = isset($there->open[$k]) || isset($back->open[$k]) ? $k : \min(\min(\array_keys($there->open)), \min(\array_keys($back->open)));
            [$least, $meet] = self::bucket($surface, $cost, $there, $back, $k, [$least, $meet]);
            [$least, $meet] = self::bucket($surface, $cost, $back, $there, $k, [$least, $meet]);
        }

        return $least === \INF ? [] : [...\array_reverse($there->way($meet)), $meet, ...$back->way($meet)];
    }

    /**
     * Goes on by one bucket.
     *
     * @param  list<float>  $cost
     * @param  array{float, int}  $found  least of the lines found so far, and where its ways meet
     * @return array{float, int} the same after this bucket
     */
    private static function bucket(SurfaceGraph $surface, array $cost, LineFront $front, LineFront $other, int $k, array $found): array
    {
        [$first, $beside, $mm] = [$surface->first, $surface->next, $surface->mm];
        // By reference: the lists are written to in the innermost loop.
        $far = &$front->far;
        $next = &$front->next;
        $open = &$front->open;
        $isBack = $front->isBack;
        $opposite = $other->far;
        [$least, $meet] = $found;
        $some = $open[$k] ?? [];
        while ($some !== []) {
            $open[$k] = [];
            foreach ($some as $v) {
                $own = $far[$v];
                if ($own < $k * self::BUCKET) {
                    continue;
                }
                for ($i = $first[$v], $end = $first[$v + 1]; $i < $end; $i++) {
                    $w = $beside[$i];
                    $way = $own + $mm[$i] * $cost[$isBack ? $v : $w];
                    if ($way < $far[$w]) {
                        $far[$w] = $way;
                        $next[$w] = $v;
                        $open[(int) ($way / self::BUCKET)][] = $w;
                        if ($way + $opposite[$w] < $least) {
                            $least = $way + $opposite[$w];
                            $meet = $w;
                        }
                    }
                }
            }
            $some = $open[$k];
        }
        unset($open[$k]);

        return [$least, $meet];
    }
}

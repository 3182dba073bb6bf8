<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The shortest line along a surface from one vertex to another, looked for from both ends at once, which goes over half as much of it
 * (I. Pohl, Bi-directional search, 1971); each end by buckets of about the same length, as in Ways.
 */
final class ShortestLine
{
    /** What a bucket holds, mm or their cost. */
    private const BUCKET = 1.0;

    /**
     * Flat lists over all vertices.
     *
     * @param  list<float>  $cost  of a mm to each vertex, more than 0
     * @return list<int> vertices, both ends among them; empty when no way leads from one to the other
     */
    public static function between(SurfaceGraph $surface, array $cost, int $from, int $to): array
    {
        $none = \array_fill(0, \count($cost), \INF);
        $there = $back = $none;
        $there[$from] = $back[$to] = 0.0;
        $before = $after = [];
        [$open, $openBack] = [[[$from]], [[$to]]];
        $least = $from === $to ? 0.0 : \INF;
        $meet = $from;
        // What neither has come to yet is a bucket or more away from both.
        for ($k = 0; $open !== [] && $openBack !== [] && $least > 2 * $k * self::BUCKET; $k++) {
            // Over what is empty at once: a stray vertex may lie a million buckets away.
            $k = isset($open[$k]) || isset($openBack[$k]) ? $k : \min(\min(\array_keys($open)), \min(\array_keys($openBack)));
            self::bucket($surface, $cost, false, $k, $there, $before, $open, $back, $least, $meet);
            self::bucket($surface, $cost, true, $k, $back, $after, $openBack, $there, $least, $meet);
        }
        if ($least === \INF) {
            return [];
        }
        $line = [$meet];
        for ($v = $meet; isset($before[$v]); $line[] = $v) {
            $v = $before[$v];
        }
        $line = \array_reverse($line);
        for ($v = $meet; isset($after[$v]); $line[] = $v) {
            $v = $after[$v];
        }

        return $line;
    }

    /**
     * All that lies within one bucket of an end.
     *
     * @param  list<float>  $cost
     * @param  bool  $isBack  whether lines lead to this end: they cost what the vertex does that they come to
     * @param  array<int, float>  $far  from this end, by vertex
     * @param  array<int, int>  $next  vertex that is one nearer to it
     * @param  array<int, list<int>>  $open  by bucket
     * @param  array<int, float>  $other  from the other end, by vertex
     * @param  float  $least  of the lines found so far
     * @param  int  $meet  where that one was found
     */
    private static function bucket(SurfaceGraph $surface, array $cost, bool $isBack, int $k, array &$far, array &$next, array &$open, array $other, float &$least, int &$meet): void
    {
        [$first, $beside, $mm] = [$surface->first, $surface->next, $surface->mm];
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
                        if ($way + $other[$w] < $least) {
                            $least = $way + $other[$w];
                            $meet = $w;
                        }
                    }
                }
            }
            $some = $open[$k];
        }
        unset($open[$k]);
    }
}

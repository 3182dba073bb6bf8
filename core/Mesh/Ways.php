<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Shortest ways along a surface from one or several vertices (E. W. Dijkstra 1959), found by buckets of about the same length, which
 * needs no queue that is sorted (U. Meyer and P. Sanders, Delta-stepping: a parallelizable shortest path algorithm, 2003).
 */
final readonly class Ways
{
    /** Width of a bucket, mm or their cost: own choice; from a fifth of it to four times as much took the same time on sculpts. */
    private const BUCKET = 1.0;

    /**
     * @param  array<int, float>  $far  mm, or what they cost, by vertex that was reached
     * @param  array<int, int>  $of  label of the source each was reached from
     */
    private function __construct(public array $far, public array $of)
    {
    }

    /**
     * @param  array<int, int>  $sources  label by vertex
     * @param  array<int, float>|null  $cost  of a mm to each vertex that may be reached; null for one
     * @param  float  $most  cost beyond which nothing is looked at
     */
    public static function from(Surroundings $surface, array $sources, ?array $cost = null, float $most = INF): self
    {
        $far = \array_fill_keys(\array_keys($sources), 0.0);
        $of = $sources;
        $buckets = [\array_keys($sources)];
        for ($k = 0; isset($buckets[$k]);) {
            // A way within a bucket may be made shorter by another: whatever that touches comes up again.
            while ($buckets[$k] !== []) {
                $open = $buckets[$k];
                $buckets[$k] = [];
                foreach ($open as $v) {
                    $own = $far[$v];
                    if ($own < $k * self::BUCKET) {
                        continue;
                    }
                    $label = $of[$v];
                    [$i, $end, $next, $mm] = $surface->around($v);
                    for (; $i < $end; $i++) {
                        $w = $next[$i];
                        $way = $own + $mm[$i] * ($cost === null ? 1.0 : $cost[$w]);
                        if ($way <= $most && $way < ($far[$w] ?? \INF)) {
                            $far[$w] = $way;
                            $of[$w] = $label;
                            $buckets[(int) ($way / self::BUCKET)][] = $w;
                        }
                    }
                }
            }
            unset($buckets[$k]);
            // Over what is empty at once: a stray vertex may lie a million buckets away.
            $k = isset($buckets[$k + 1]) || $buckets === [] ? $k + 1 : \min(\array_keys($buckets));
        }

        return new self($far, $of);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

use Closure;

/**
 * Shortest ways along a surface from one or several vertices (E. W. Dijkstra 1959).
 */
final readonly class Ways
{
    /**
     * @param  array<int, float>  $far  mm, or what they cost, by vertex that was reached
     * @param  array<int, int>  $of  label of the source each was reached from
     * @param  array<int, int>  $before  vertex before each on its way; none for a source
     */
    private function __construct(public array $far, public array $of, private array $before)
    {
    }

    /**
     * @param  array<int, int>  $sources  label by vertex
     * @param  list<float>|null  $cost  of a mm to a vertex; null for one
     * @param  float  $most  cost beyond which nothing is looked at
     * @param  int|null  $until  vertex with which it ends
     * @param  (Closure(int): bool)|null  $enters  whether a vertex may be walked on
     */
    public static function from(Surroundings $surface, array $sources, ?array $cost = null, float $most = INF, ?int $until = null, ?Closure $enters = null): self
    {
        $far = $before = $settled = [];
        $of = $sources;
        /** @var \SplPriorityQueue<float, int> $queue */
        $queue = new \SplPriorityQueue();
        foreach ($sources as $v => $_) {
            $far[$v] = 0.0;
            $queue->insert($v, 0.0);
        }
        while (! $queue->isEmpty()) {
            /** @var int $v */
            $v = $queue->extract();
            if (isset($settled[$v])) {
                continue;
            }
            $settled[$v] = true;
            if ($v === $until) {
                break;
            }
            [$i, $end, $next, $mm] = $surface->around($v);
            for (; $i < $end; $i++) {
                $w = $next[$i];
                $way = $far[$v] + $mm[$i] * ($cost === null ? 1.0 : $cost[$w]);
                if ($way <= $most && $way < ($far[$w] ?? \INF) && ($enters === null || $enters($w))) {
                    $far[$w] = $way;
                    $of[$w] = $of[$v];
                    $before[$w] = $v;
                    $queue->insert($w, -$way);
                }
            }
        }

        return new self($far, $of, $before);
    }

    /** @return list<int> vertices from a source to this one; empty when it was not reached */
    public function to(int $vertex): array
    {
        if (! isset($this->far[$vertex])) {
            return [];
        }
        $way = [$vertex];
        while (isset($this->before[$vertex])) {
            $way[] = $vertex = $this->before[$vertex];
        }

        return array_reverse($way);
    }
}

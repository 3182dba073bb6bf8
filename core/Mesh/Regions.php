<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A mesh cut into regions of paint: one number a triangle.
 */
final readonly class Regions
{
    /** Sweeps in which small regions are given to their neighbours. */
    private const SWEEPS = 12;

    /**
     * @param  list<int>  $of  region of each triangle, from 0
     */
    private function __construct(public array $of)
    {
    }

    /** @param  list<int>  $of  region of each triangle */
    public static function given(array $of): self
    {
        return new self($of);
    }

    /**
     * A first proposal: triangles that meet more gently than a crease belong together; what is too small goes to the
     * neighbour it shares the longest border with.
     *
     * @param  float  $crease  degrees
     * @param  float  $least  mm2 of a region
     */
    public static function proposed(TriangleMesh $mesh, Adjacency $edges, float $crease, float $least): self
    {
        $parent = \range(0, \count($edges->area) - 1);
        foreach ($edges->one as $e => $a) {
            if (\abs($edges->angle[$e]) <= $crease) {
                self::join($parent, $a, $edges->two[$e]);
            }
        }
        [$x, $y, $z] = $mesh->coordinates();
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            $area = $border = [];
            foreach ($edges->area as $t => $mm2) {
                $root = self::root($parent, $t);
                $area[$root] = ($area[$root] ?? 0.0) + $mm2;
            }
            foreach ($edges->one as $e => $a) {
                [$p, $q] = [self::root($parent, $a), self::root($parent, $edges->two[$e])];
                if ($p !== $q) {
                    $mm = \sqrt(($x[$edges->from[$e]] - $x[$edges->to[$e]]) ** 2 + ($y[$edges->from[$e]] - $y[$edges->to[$e]]) ** 2 + ($z[$edges->from[$e]] - $z[$edges->to[$e]]) ** 2);
                    $border[$p][$q] = ($border[$p][$q] ?? 0.0) + $mm;
                    $border[$q][$p] = ($border[$q][$p] ?? 0.0) + $mm;
                }
            }
            $joined = false;
            foreach ($area as $root => $mm2) {
                if ($mm2 < $least && isset($border[$root])) {
                    \arsort($border[$root]);
                    self::join($parent, $root, (int) \array_key_first($border[$root]));
                    $joined = true;
                }
            }
            if (! $joined) {
                break;
            }
        }

        return self::numbered($parent);
    }

    /**
     * Triangles reached from one without passing a sharper edge than this.
     *
     * @return array<int, true> by triangle
     */
    public static function grown(Adjacency $edges, int $seed, float $crease): array
    {
        $edgesOf = $edges->edgesOf();
        $reached = [$seed => true];
        $open = [$seed];
        while ($open !== []) {
            $t = \array_pop($open);
            foreach ($edgesOf[$t] as $e) {
                $next = $edges->one[$e] === $t ? $edges->two[$e] : $edges->one[$e];
                if (! isset($reached[$next]) && \abs($edges->angle[$e]) <= $crease) {
                    $reached[$next] = true;
                    $open[] = $next;
                }
            }
        }

        return $reached;
    }

    /** @return array<int, float> mm2 by region */
    public function areas(Adjacency $edges): array
    {
        $areas = [];
        foreach ($this->of as $t => $region) {
            $areas[$region] = ($areas[$region] ?? 0.0) + $edges->area[$t];
        }
        \ksort($areas);

        return $areas;
    }

    /** @param  array<int, int>  $parent */
    private static function root(array &$parent, int $t): int
    {
        while ($parent[$t] !== $t) {
            $t = $parent[$t] = $parent[$parent[$t]];
        }

        return $t;
    }

    /** @param  array<int, int>  $parent */
    private static function join(array &$parent, int $a, int $b): void
    {
        [$a, $b] = [self::root($parent, $a), self::root($parent, $b)];
        if ($a !== $b) {
            $parent[\max($a, $b)] = \min($a, $b);
        }
    }

    /** @param  array<int, int>  $parent */
    private static function numbered(array $parent): self
    {
        $number = $of = [];
        foreach (\array_keys($parent) as $t) {
            $root = self::root($parent, $t);
            $of[] = $number[$root] ??= \count($number);
        }

        return new self($of);
    }
}

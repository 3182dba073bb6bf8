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
        foreach ($edges->angle as $e => $angle) {
            if (\abs($angle) <= $crease) {
                self::join($parent, ...$edges->triangles($e));
            }
        }
        foreach ($parent as $t => $_) {
            $parent[$t] = self::root($parent, $t);
        }
        $first = self::numbered($parent);
        unset($parent);
        // From here on regions count, not triangles: there are few of them.
        $area = $first->areas($edges);
        $into = self::merged($area, self::shared($mesh, $edges, $first->of), $least);

        return self::numbered(\array_map(static fn (int $region): int => $into[$region], $first->of));
    }

    /**
     * @param  list<int>  $of
     * @return array<int, array<int, float>> mm of border by region and neighbour
     */
    private static function shared(TriangleMesh $mesh, Adjacency $edges, array $of): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $border = [];
        foreach ($edges->angle as $e => $_) {
            [$one, $two] = $edges->triangles($e);
            [$p, $q] = [$of[$one], $of[$two]];
            if ($p !== $q) {
                [$v, $w] = $edges->ends($e);
                $mm = \sqrt(($x[$v] - $x[$w]) ** 2 + ($y[$v] - $y[$w]) ** 2 + ($z[$v] - $z[$w]) ** 2);
                $border[$p][$q] = ($border[$p][$q] ?? 0.0) + $mm;
                $border[$q][$p] = ($border[$q][$p] ?? 0.0) + $mm;
            }
        }

        return $border;
    }

    /**
     * @param  array<int, float>  $area  mm2 by region
     * @param  array<int, array<int, float>>  $shared
     * @return array<int, int> the region that each has become part of
     */
    private static function merged(array $area, array $shared, float $least): array
    {
        $parent = \array_combine(\array_keys($area), \array_keys($area));
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            $sums = $border = [];
            foreach ($area as $region => $mm2) {
                $root = self::root($parent, $region);
                $sums[$root] = ($sums[$root] ?? 0.0) + $mm2;
                foreach ($shared[$region] ?? [] as $other => $mm) {
                    $next = self::root($parent, $other);
                    if ($next !== $root) {
                        $border[$root][$next] = ($border[$root][$next] ?? 0.0) + $mm;
                    }
                }
            }
            $joined = false;
            foreach ($sums as $root => $mm2) {
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

        return \array_map(static function (int $region) use (&$parent): int {
            return self::root($parent, $region);
        }, \array_keys($parent));
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
                $next = $edges->across($e, $t);
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

    /** @param  array<int, int>  $labels  any numbers: of each triangle, or of the triangle that stands for it */
    private static function numbered(array $labels): self
    {
        $number = $of = [];
        foreach ($labels as $label) {
            $of[] = $number[$label] ??= \count($number);
        }

        return new self($of);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

use SplPriorityQueue;

/**
 * A surface cut along its creases into patches: where water would gather on a land whose hills are the creases (watershed by
 * steepest descent, S. Beucher and C. Lantuejoul 1979), joined again over borders that are hardly creased.
 */
final readonly class Patches
{
    /** Mean creaseness of a border from which on it parts two patches: own estimate. */
    private const PARTS = 0.01;

    /** As many patches at most: seeds are divided over them at once. */
    private const MOST = 600;

    /** A proposal has at least so many pieces where there are creases for them; more where those are deep: own estimates. */
    private const HANDFUL = 5;

    private const DEEP = 0.012;

    /** mm2 below which a patch is part of another. */
    private const LEAST = 1.0;

    /**
     * @param  list<int>  $of  patch by vertex, from 0
     * @param  list<float>  $area  mm2 by patch
     * @param  array<int, array<int, array{float, float}>>  $borders  by patch and neighbour: length, and creaseness summed over it
     * @param  list<int>  $rim  vertices beside another patch, and others that once were
     */
    private function __construct(public array $of, public array $area, public array $borders, public array $rim)
    {
    }

    /**
     * @param  list<float>  $crease  by vertex
     */
    public static function of(SurfaceGraph $surface, array $crease): self
    {
        $basins = self::measured($surface, $crease, self::basins($surface, $crease));

        $patches = $basins->joined(static function (float $length, float $sum, float $p, float $q, int $left): ?float {
            $mean = $sum / \max(1e-9, $length);

            return \min($p, $q) < self::LEAST ? $mean - 10 : ($mean < self::PARTS || $left > self::MOST ? $mean : null);
        });

        return new self($patches->of, $patches->area, $patches->borders, \array_values(\array_filter($basins->rim, static function (int $v) use ($surface, $patches): bool {
            foreach (\array_slice($surface->next, $surface->first[$v], $surface->first[$v + 1] - $surface->first[$v]) as $w) {
                if ($patches->of[$w] !== $patches->of[$v]) {
                    return true;
                }
            }

            return false;
        })));
    }

    /**
     * As they were found before.
     *
     * @param  list<int>  $of  patch by vertex, from 0
     * @param  list<float>  $area  mm2 by patch
     * @param  array<int, array<int, array{float, float}>>  $borders  by patch and neighbour: length, and creaseness summed over it
     * @param  list<int>  $rim  vertices beside another patch, and others that once were
     */
    public static function known(array $of, array $area, array $borders, array $rim): self
    {
        return new self($of, $area, $borders, $rim);
    }

    /**
     * The patches that are connected with a vertex over borders creased less than this.
     *
     * @param  float  $depth  creaseness of a border that stops it, 0 or more: 0.01 a shallow groove, 0.3 a deep fold
     * @return array<int, true> by vertex
     */
    public function filled(int $vertex, float $depth): array
    {
        $start = $this->of[$vertex];
        $reached = [$start => true];
        $open = [$start];
        while ($open !== []) {
            $p = \array_pop($open);
            foreach ($this->borders[$p] as $q => [$length, $sum]) {
                if (! isset($reached[$q]) && $sum < $depth * $length) {
                    $reached[$q] = true;
                    $open[] = $q;
                }
            }
        }

        return \array_fill_keys(\array_keys(\array_filter($this->of, static fn (int $p): bool => isset($reached[$p]))), true);
    }

    /**
     * Joined on to a proposal: what is large and deeply parted stays apart longest.
     *
     * @param  int  $most  pieces
     */
    public function proposed(int $most): self
    {
        $all = \max(1e-9, \array_sum($this->area));

        return $this->joined(static function (float $length, float $sum, float $p, float $q, int $left) use ($most, $all): ?float {
            // The work of painting over a crease by mistake: how deep it is, how much lies behind it.
            $cost = \max(0.0, $sum / \max(1e-9, $length)) * \sqrt(\min($p, $q) / $all);

            return $left > $most || ($left > self::HANDFUL && $cost < self::DEEP) ? $cost : null;
        });
    }

    /**
     * Joined on between seeds, the shallowest border first, until only those between two areas are left: a forest from markers
     * (J. Cousty and others, Watershed cuts, 2009). A seed set elsewhere within the same folds divides the same.
     *
     * @param  array<int, int>  $seeds  area, 0 or more, by patch
     * @return array<int, int> area by patch, of those that hang together with a seed
     */
    public function divided(array $seeds): array
    {
        $roots = $this->roots(static fn (float $length, float $sum): float => \max(0.0, $sum / \max(1e-9, $length)), $seeds)[0];
        $of = [];
        foreach ($seeds as $patch => $area) {
            $of[$roots[$patch]] = $area;
        }

        return \array_filter(\array_map(static fn (int $root): ?int => $of[$root] ?? null, $roots), \is_int(...));
    }

    /**
     * Some of its patches cut further. Between two pieces of one no border is measured: they were cut apart to stay so.
     *
     * @param  list<float>  $crease  by vertex
     * @param  list<int>  $pieces  any numbers of 0 or more by vertex of the patches that are cut, less by the others
     */
    public function cut(SurfaceGraph $surface, array $crease, array $pieces): self
    {
        [$of, $area, $borders] = [$this->of, $this->area, $this->borders];
        $number = $cut = [];
        $rim = [];
        foreach ($pieces as $v => $piece) {
            if ($piece < 0) {
                continue;
            }
            $rim[] = $v;
            if (! isset($number[$piece])) {
                $number[$piece] = \count($area);
                $area[] = 0.0;
                $borders[] = [];
            }
            $cut[$of[$v]] = true;
            $of[$v] = $number[$piece];
            $area[$number[$piece]] += $surface->area[$v];
        }
        foreach ($cut as $p => $_) {
            // What was the whole stays as a patch of nothing: all others keep their numbers.
            foreach ($borders[$p] as $q => $_) {
                unset($borders[$q][$p]);
            }
            $borders[$p] = [];
            $area[$p] = 0.0;
        }
        foreach ($this->rim as $v) {
            if ($pieces[$v] < 0) {
                $rim[] = $v;

                continue;
            }
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $w = $surface->next[$i];
                // Between two patches that are cut it is met from either side.
                if ($this->of[$v] !== $this->of[$w] && ($v < $w || $pieces[$w] < 0)) {
                    self::lengthen($borders, $of[$v], $of[$w], $surface->mm[$i], \max($crease[$v], $crease[$w]));
                }
            }
        }

        return new self(\array_values($of), \array_values($area), $borders, $rim);
    }

    /** @param  callable(float, float, float, float, int): (float|null)  $cost  as of roots */
    private function joined(callable $cost): self
    {
        [$roots, $area, $borders] = $this->roots($cost);
        $number = $areas = [];
        foreach ($roots as $root) {
            if (! isset($number[$root])) {
                $number[$root] = \count($areas);
                $areas[] = $area[$root];
            }
        }
        $kept = \array_fill(0, \count($areas), []);
        foreach ($borders as $p => $others) {
            foreach ($others as $q => $border) {
                $kept[$number[$p]][$number[$q]] = $border;
            }
        }

        return new self(\array_map(static fn (int $patch): int => $number[$roots[$patch]], $this->of), $areas, $kept, $this->rim);
    }

    /**
     * @param  callable(float, float, float, float, int): (float|null)  $cost  of joining two, by the length of their border,
     *                                                                        the creaseness summed over it, their areas and the
     *                                                                        number of pieces that are left; null for never
     * @param  array<int, int>  $areas  by patch: those of two areas are never joined
     * @return array{array<int, int>, array<int, float>, array<int, array<int, array{float, float}>>} patch that each has become
     *                                                                                               part of, and of those mm2 and
     *                                                                                               borders
     */
    private function roots(callable $cost, array $areas = []): array
    {
        $n = \count($this->area);
        $parent = \range(0, \max(0, $n - 1));
        [$area, $borders] = [$this->area, $this->borders];
        $left = $n;
        /** @var SplPriorityQueue<float, array{int, int, float}> $queue */
        $queue = new SplPriorityQueue();
        $queue->setExtractFlags(SplPriorityQueue::EXTR_DATA);
        $put = static function (int $p, int $q) use (&$area, &$borders, $queue, $cost): void {
            [$length, $sum] = $borders[$p][$q];
            // Asked as if nothing were left to lose: what may never be joined is looked at again when it comes up.
            $price = $cost($length, $sum, $area[$p], $area[$q], \PHP_INT_MAX);
            if ($price !== null) {
                $queue->insert([$p, $q, $length], -$price);
            }
        };
        foreach ($borders as $p => $others) {
            foreach ($others as $q => $_) {
                if ($p < $q) {
                    $put($p, $q);
                }
            }
        }
        while (! $queue->isEmpty()) {
            /** @var array{int, int, float} $next */
            $next = $queue->extract();
            [$p, $q, $length] = $next;
            // Changed since it was put there: another entry stands for it.
            if (! isset($borders[$p][$q]) || $borders[$p][$q][0] !== $length) {
                continue;
            }
            if ($cost($length, $borders[$p][$q][1], $area[$p], $area[$q], $left) === null) {
                continue;
            }
            if (isset($areas[$p], $areas[$q]) && $areas[$p] !== $areas[$q]) {
                continue;
            }
            if (isset($areas[$q])) {
                $areas[$p] = $areas[$q];
            }
            $parent[$q] = $p;
            $area[$p] += $area[$q];
            $left--;
            unset($borders[$p][$q]);
            foreach ($borders[$q] as $r => [$length, $sum]) {
                unset($borders[$r][$q]);
                if ($r !== $p) {
                    [$known, $had] = $borders[$p][$r] ?? [0.0, 0.0];
                    $borders[$p][$r] = $borders[$r][$p] = [$known + $length, $had + $sum];
                    $put($p, $r);
                }
            }
            unset($borders[$q]);
        }
        foreach ($parent as $p => $_) {
            $root = $p;
            while ($parent[$root] !== $root) {
                $root = $parent[$root];
            }
            $parent[$p] = $root;
        }

        return [$parent, $area, $borders];
    }

    /**
     * @param  list<float>  $crease
     * @return list<int> lowest vertex that each runs down to
     */
    private static function basins(SurfaceGraph $surface, array $crease): array
    {
        $down = [];
        foreach ($crease as $v => $own) {
            $low = $v;
            $least = $own;
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $w = $surface->next[$i];
                if ($crease[$w] < $least || ($crease[$w] === $least && $w < $low)) {
                    $least = $crease[$w];
                    $low = $w;
                }
            }
            $down[] = $low;
        }
        foreach ($down as $v => $_) {
            $low = $v;
            while ($down[$low] !== $low) {
                $low = $down[$low];
            }
            // The way there is as short for all that lie on it.
            for ($w = $v; $down[$w] !== $low; $w = $next) {
                $next = $down[$w];
                $down[$w] = $low;
            }
        }

        return \array_values($down);
    }

    /**
     * An edge across a border stands for about its own length of it.
     *
     * @param  array<int, array<int, array{float, float}>>  $borders  by patch and neighbour: length, mm, and creaseness summed over it
     * @param  float  $mm  length of the edge
     * @param  float  $crease  the greater creaseness of its ends
     */
    private static function lengthen(array &$borders, int $p, int $q, float $mm, float $crease): void
    {
        [$length, $sum] = $borders[$p][$q] ?? [0.0, 0.0];
        $borders[$p][$q] = $borders[$q][$p] = [$length + $mm, $sum + $mm * $crease];
    }

    /**
     * @param  list<float>  $crease
     * @param  list<int>  $labels  any numbers
     */
    private static function measured(SurfaceGraph $surface, array $crease, array $labels): self
    {
        $number = $of = $area = $borders = [];
        foreach ($labels as $v => $label) {
            $patch = $number[$label] ??= \count($number);
            $of[] = $patch;
            $area[$patch] = ($area[$patch] ?? 0.0) + $surface->area[$v];
        }
        $rim = [];
        foreach ($of as $v => $p) {
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $w = $surface->next[$i];
                $q = $of[$w];
                if ($p !== $q) {
                    $rim[$v] = true;
                }
                if ($p < $q) {
                    self::lengthen($borders, $p, $q, $surface->mm[$i], \max($crease[$v], $crease[$w]));
                }
            }
        }
        foreach ($area as $p => $_) {
            $borders[$p] ??= [];
        }

        return new self($of, \array_values($area), $borders, \array_keys($rim));
    }
}

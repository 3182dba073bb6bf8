<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A surface divided between seeds by which of them is nearest along it, over creases farther than it looks. Ways that are found are
 * handed on in rounds until none is shorter than another (R. Bellman, On a routing problem, 1958).
 */
final class NearestSeeds
{
    /** Stands for what no seed reaches. */
    public const NONE = -1;

    /**
     * Flat lists over all vertices: most of a sculpt is looked at.
     *
     * @param  list<float>  $crease  by vertex
     * @param  float  $holds  how much farther apart the sides of a crease are: 1 mm counts as 1 + holds x crease
     * @param  list<int>  $walls  label by vertex: no way leaves the label it begins in
     * @param  array<int, int>  $seeds  label, 0 or more, by vertex
     * @return list<int> label of the nearest seed by vertex, or NONE
     */
    public static function of(SurfaceGraph $surface, array $crease, float $holds, array $walls, array $seeds): array
    {
        [$first, $next, $mm] = [$surface->first, $surface->next, $surface->mm];
        $of = \array_fill(0, \count($crease), self::NONE);
        $far = \array_fill(0, \count($crease), \INF);
        foreach ($seeds as $v => $label) {
            $of[$v] = $label;
            $far[$v] = 0.0;
        }
        for ($open = \array_keys($seeds); $open !== []; $open = $shorter) {
            $shorter = [];
            foreach ($open as $v) {
                [$own, $label, $wall] = [$far[$v], $of[$v], $walls[$v]];
                for ($i = $first[$v], $end = $first[$v + 1]; $i < $end; $i++) {
                    $w = $next[$i];
                    $way = $own + $mm[$i] * ($crease[$w] > 0.0 ? 1.0 + $holds * $crease[$w] : 1.0);
                    if ($way < $far[$w] && $walls[$w] === $wall) {
                        $far[$w] = $way;
                        $of[$w] = $label;
                        $shorter[] = $w;
                    }
                }
            }
        }

        return \array_values($of);
    }
}

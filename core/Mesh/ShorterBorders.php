<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Borders between areas drawn as short as they can be: they are let run like heat and caught again where two areas are as warm
 * (threshold dynamics, B. Merriman, J. Bence and S. Osher 1992). What holds the heat back holds the border.
 */
final readonly class ShorterBorders
{
    /** Rounds, and steps of heat in each. */
    private const ROUNDS = 2;

    private const STEPS = 8;

    /** Of a crease times what it holds: a border in one as deep stays, as a twentieth of the heat passes from side to side (own choice). */
    private const DEEP = 1.5;

    /**
     * @param  list<float>  $crease  by vertex, which holds heat back where it is more than 0
     * @param  float  $holds  how much: heat passes a crease of 1 / holds e times less
     * @param  float  $reach  mm that a border moves in one round at most
     */
    public function __construct(private SurfaceGraph $surface, private array $crease, private float $holds, private float $reach)
    {
    }

    /**
     * @param  list<int>  $labels  area by vertex
     * @param  array<int, int>  $fixed  area by vertex that keeps it
     * @param  list<int>  $within  vertices, among which are all that lie at a border
     * @return list<int>
     */
    public function of(array $labels, array $fixed, array $within): array
    {
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $rims = $this->rims($labels, $within);
            \uasort($rims, static fn (array $a, array $b): int => \count($b) <=> \count($a));
            // What all have together stays 1: the heat of the area with the longest borders is what the others leave.
            $near = \array_map($this->near(...), \array_slice($rims, 1, null, true));
            $to = $this->band($near, $labels)->warmest($near, (int) \array_key_first($rims), self::STEPS);
            $moved = [];
            foreach (\array_diff_key($to, $fixed) as $v => $area) {
                if ($labels[$v] !== $area) {
                    $labels[$v] = $area;
                    $moved[] = $v;
                }
            }
            $labels = \array_values($labels);
            if ($moved === []) {
                break;
            }
            // Where nothing has moved, nothing would in the next round.
            $within = \array_merge(...$this->near($moved));
            $labels = $this->withoutFlecks($labels, $moved, $fixed);
        }

        return $labels;
    }

    /**
     * @param  list<int>  $labels
     * @param  list<int>  $moved  vertices whose area has changed: they or one beside them may be left alone
     * @param  array<int, int>  $fixed  area by vertex that keeps it
     * @return list<int> where such a one has the area that most around it have
     */
    private function withoutFlecks(array $labels, array $moved, array $fixed): array
    {
        $beside = \array_flip($moved);
        foreach ($moved as $v) {
            for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                $beside[$this->surface->next[$i]] = true;
            }
        }
        foreach ($beside as $v => $_) {
            $around = [];
            for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                $label = $labels[$this->surface->next[$i]];
                $around[$label] = ($around[$label] ?? 0) + 1;
            }
            if ($around !== [] && ! isset($around[$labels[$v]]) && ! isset($fixed[$v])) {
                \arsort($around);
                $labels[$v] = (int) \array_key_first($around);
            }
        }

        return \array_values($labels);
    }

    /**
     * @param  array<int, list<list<int>>>  $near  by area: vertices that its border may reach, ring by ring
     * @param  list<int>  $labels
     */
    private function band(array $near, array $labels): HeatBand
    {
        $all = [];
        foreach ($near as $rings) {
            foreach ($rings as $ring) {
                $all += \array_flip($ring);
            }
        }

        return HeatBand::of($this->surface, $this->crease, $this->holds, \array_keys($all), $labels);
    }

    /**
     * @param  list<int>  $labels
     * @param  list<int>  $within  vertices that may lie at a border
     * @return array<int, list<int>> by area: vertices on either side of its border, where that may move
     */
    private function rims(array $labels, array $within): array
    {
        $rims = [];
        [$first, $next] = [$this->surface->first, $this->surface->next];
        foreach ($within as $v) {
            if ($this->holds * $this->crease[$v] > self::DEEP) {
                continue;
            }
            $label = $labels[$v];
            $others = [];
            for ($i = $first[$v], $end = $first[$v + 1]; $i < $end; $i++) {
                $other = $labels[$next[$i]];
                if ($other !== $label) {
                    $others[$other] = true;
                }
            }
            if ($others !== []) {
                $rims[$label][] = $v;
                foreach ($others as $other => $_) {
                    $rims[$other][] = $v;
                }
            }
        }

        return $rims;
    }

    /**
     * @param  list<int>  $rim
     * @return list<list<int>> vertices that a border may reach in one round: the rim, those beside it, those beside these
     */
    private function near(array $rim): array
    {
        $near = \array_fill_keys($rim, 0.0);
        $rings = [];
        [$first, $next, $mm] = [$this->surface->first, $this->surface->next, $this->surface->mm];
        for ($ring = \array_keys($near); $ring !== []; $ring = $beyond) {
            $rings[] = $ring;
            $beyond = [];
            foreach ($ring as $v) {
                $far = $near[$v];
                for ($i = $first[$v], $end = $first[$v + 1]; $i < $end; $i++) {
                    $w = $next[$i];
                    $d = $far + $mm[$i];
                    if (! isset($near[$w]) && $d < $this->reach) {
                        $near[$w] = $d;
                        $beyond[] = $w;
                    }
                }
            }
        }

        return $rings;
    }
}

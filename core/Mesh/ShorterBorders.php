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

    /**
     * @param  list<float>  $flow  0..1 by vertex: how freely heat passes
     * @param  float  $reach  mm that a border moves in one round at most
     */
    public function __construct(private SurfaceGraph $surface, private array $flow, private float $reach)
    {
    }

    /**
     * @param  list<int>  $labels  area by vertex
     * @param  array<int, int>  $fixed  area by vertex that keeps it
     * @return list<int>
     */
    public function of(array $labels, array $fixed): array
    {
        $within = \array_keys($labels);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $most = $to = $sum = [];
            $rims = $this->rims($labels, $within);
            // What all have together stays 1: the area with the longest borders has what the others leave.
            \uasort($rims, static fn (array $a, array $b): int => \count($b) <=> \count($a));
            $longest = (int) \array_key_first($rims);
            foreach (\array_slice($rims, 1, null, true) as $area => $rim) {
                $near = $this->near($rim);
                foreach ($this->heat($labels, $area, $near) as $k => $heat) {
                    $v = $near[$k];
                    $sum[$v] = ($sum[$v] ?? 0.0) + $heat;
                    if ($heat > ($most[$v] ?? 0.0)) {
                        $most[$v] = $heat;
                        $to[$v] = $area;
                    }
                }
            }
            foreach ($sum as $v => $all) {
                if (1.0 - $all > ($most[$v] ?? 0.0)) {
                    $to[$v] = $longest;
                }
            }
            // A border lies in the next round where it may have moved to.
            $within = \array_keys($sum);
            $moved = false;
            foreach (\array_diff_key($to, $fixed) as $v => $area) {
                $moved = $moved || $labels[$v] !== $area;
                $labels[$v] = $area;
            }
            $labels = \array_values($labels);
            if (! $moved) {
                break;
            }
        }

        return $labels;
    }

    /**
     * Flat lists, as this is the inner loop of every division: places in the list of the near ones instead of vertices, and
     * behind them two that stand for all cold and all warm ones beyond.
     *
     * @param  list<int>  $labels
     * @param  list<int>  $near  vertices
     * @return list<float> 0..1 for each of them: how warm it is when all of an area has given off heat for a round
     */
    private function heat(array $labels, int $area, array $near): array
    {
        $count = \count($near);
        $at = \array_flip($near);
        $heat = $first = $next = $weight = [];
        foreach ($near as $v) {
            $heat[] = $labels[$v] === $area ? 1.0 : 0.0;
            $first[] = \count($next);
            $start = $this->surface->first[$v];
            $end = $this->surface->first[$v + 1];
            $own = $this->flow[$v] / \max(1, $end - $start);
            for ($i = $start; $i < $end; $i++) {
                $w = $this->surface->next[$i];
                $next[] = $at[$w] ?? ($labels[$w] === $area ? $count + 1 : $count);
                $weight[] = $own * $this->flow[$w];
            }
        }
        $first[] = \count($next);
        $heat[] = 0.0;
        $heat[] = 1.0;
        for ($step = 0; $step < self::STEPS; $step++) {
            $old = $heat;
            for ($k = 0; $k < $count; $k++) {
                $own = $old[$k];
                $sum = $own;
                for ($i = $first[$k], $end = $first[$k + 1]; $i < $end; $i++) {
                    $sum += $weight[$i] * ($old[$next[$i]] - $own);
                }
                $heat[$k] = $sum;
            }
        }

        return \array_slice($heat, 0, $count);
    }

    /**
     * @param  list<int>  $labels
     * @param  list<int>  $within  vertices that may lie at a border
     * @return array<int, list<int>> by area: vertices on either side of its border
     */
    private function rims(array $labels, array $within): array
    {
        $rims = [];
        foreach ($within as $v) {
            $label = $labels[$v];
            $others = [];
            for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                $other = $labels[$this->surface->next[$i]];
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
     * @return list<int> vertices that a border may reach in one round
     */
    private function near(array $rim): array
    {
        $near = \array_fill_keys($rim, 0.0);
        while ($rim !== []) {
            $next = [];
            foreach ($rim as $v) {
                $far = $near[$v];
                for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                    $w = $this->surface->next[$i];
                    $d = $far + $this->surface->mm[$i];
                    if (! isset($near[$w]) && $d < $this->reach) {
                        $near[$w] = $d;
                        $next[] = $w;
                    }
                }
            }
            $rim = $next;
        }

        return \array_keys($near);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The part of a surface beside its borders, over which heat runs from area to area; what lies around it stays as warm as it was.
 */
final readonly class HeatBand
{
    /**
     * Flat lists, as this is the inner loop of every division: places in the band instead of vertices, and behind them those around it.
     *
     * @param  list<int>  $band  vertices
     * @param  array<int, int>  $at  place by vertex
     * @param  list<int>  $first  by place in the band, where its neighbours begin
     * @param  list<int>  $next  places
     * @param  list<float>  $weight  of what passes to each neighbour in one step
     * @param  list<int>  $labels  area by place
     */
    private function __construct(private array $band, private array $at, private array $first, private array $next, private array $weight, private array $labels)
    {
    }

    /**
     * @param  list<float>  $crease  by vertex
     * @param  float  $holds  as of ShorterBorders
     * @param  list<int>  $band  vertices
     * @param  list<int>  $labels  area by vertex
     */
    public static function of(SurfaceGraph $surface, array $crease, float $holds, array $band, array $labels): self
    {
        $at = \array_flip($band);
        $first = $next = $flow = $own = [];
        foreach ($band as $v) {
            $first[] = \count($next);
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $next[] = $at[$surface->next[$i]] ??= \count($at);
            }
        }
        $first[] = \count($next);
        foreach ($at as $v => $_) {
            $own[] = $labels[$v];
            $flow[] = \exp(-$holds * \max(0.0, $crease[$v]));
        }
        $weight = [];
        foreach ($band as $k => $_) {
            $share = $flow[$k] / \max(1, $first[$k + 1] - $first[$k]);
            for ($i = $first[$k], $end = $first[$k + 1]; $i < $end; $i++) {
                $weight[] = $share * $flow[$next[$i]];
            }
        }

        return new self($band, $at, $first, $next, $weight, $own);
    }

    /**
     * Heat runs from each of some areas; what all have together stays 1, so that one more has what the others leave.
     *
     * @param  array<int, list<list<int>>>  $near  by area: vertices of the band that its heat may reach, ring by ring from its border
     * @param  int  $other  the one area more
     * @return array<int, int> by vertex of the band: the area that it is warmest of after so many steps
     */
    public function warmest(array $near, int $other, int $steps): array
    {
        $members = [];
        foreach ($this->labels as $k => $label) {
            $members[$label][] = $k;
        }
        $cold = \array_fill(0, \count($this->labels), 0.0);
        $sum = $most = $cold;
        $to = \array_fill(0, \count($this->labels), $other);
        foreach ($near as $area => $vertices) {
            $rings = [];
            foreach ($vertices as $ring) {
                $rings[] = \array_map(fn (int $v): int => $this->at[$v], $ring);
            }
            $heat = $this->run(\array_replace($cold, \array_fill_keys($members[$area] ?? [], 1.0)), $rings, $steps);
            foreach (\array_merge(...$rings) as $k) {
                $own = $heat[$k];
                $sum[$k] += $own;
                if ($own > $most[$k]) {
                    $most[$k] = $own;
                    $to[$k] = $area;
                }
            }
        }
        $of = [];
        foreach ($this->band as $k => $v) {
            // What lies near none of its own borders keeps what the others leave.
            $left = isset($near[$this->labels[$k]]) ? $other : $this->labels[$k];
            $of[$v] = 1.0 - $sum[$k] > $most[$k] ? $left : $to[$k];
        }

        return $of;
    }

    /**
     * @param  array<int, float>  $heat  0..1 by place
     * @param  list<list<int>>  $rings  places that are let run: one ring more in each step: heat comes no farther, but for
     *                               the little that a deep crease lets through
     * @return array<int, float>
     */
    private function run(array $heat, array $rings, int $steps): array
    {
        $places = [];
        // A variable is read twice as fast as a property.
        [$first, $next, $weight] = [$this->first, $this->next, $this->weight];
        for ($step = 0; $step < $steps; $step++) {
            $old = $heat;
            $places = \array_merge($places, $rings[$step] ?? []);
            foreach ($places as $k) {
                $own = $old[$k];
                $sum = $own;
                for ($i = $first[$k], $end = $first[$k + 1]; $i < $end; $i++) {
                    $sum += $weight[$i] * ($old[$next[$i]] - $own);
                }
                $heat[$k] = $sum;
            }
        }

        return $heat;
    }
}

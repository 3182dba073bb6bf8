<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A sculpt printed in one piece divided into areas, with borders that lie in its creases: between seeds that a painter set, or by
 * itself. Seeds are divided over patches by random walkers (L. Grady 2006); where no crease helps, borders are drawn as short as
 * they can be by threshold dynamics (B. Merriman, J. Bence and S. Osher 1992), which creases hold back.
 */
final readonly class Division
{
    /** Areas that a sculpt is divided into by itself, at most: own choice. */
    private const USUAL = 14;

    /** How much cheaper a line runs along a crease: own choice. Much more, and all lines run into the same one. */
    private const DRAWN_TO = 6;

    /** Stands for no area while borders are drawn. */
    private const NONE = -1;

    /** Creaseness from which on a surface is concave there, and not only uneven. */
    private const CONCAVE = 0.02;

    /** How much less likely a walker steps over a crease: own choice. */
    private const HOLDS = 30;

    private const SWEEPS = 400;

    /** How far a seed reaches, in tips of a brush, and how strongly it draws for each mm2: own choices. */
    private const TOUCH = 5.0;

    private const DRAWS = 5.0;

    /** Rounds of threshold dynamics, and how far a border moves in each, in tips of a brush. */
    private const ROUNDS = 5;

    private const REACH = 5.0;

    /**
     * @param  list<float>  $crease  by vertex
     * @param  float  $tip  mm, the width of the brush tip
     */
    private function __construct(private SurfaceGraph $surface, public array $crease, private float $tip, public Patches $patches)
    {
    }

    /**
     * @param  list<float>  $curvature  by vertex of the surface, per mm
     * @param  float  $tip  mm
     */
    public static function of(SurfaceGraph $surface, array $curvature, float $tip): self
    {
        $crease = Creases::ofVertices($surface, $curvature, $tip);

        return new self($surface, $crease, $tip, Patches::of($surface, $crease));
    }

    /**
     * With creases and patches as they were found before: both are slow.
     *
     * @param  list<float>  $crease  by vertex
     * @param  float  $tip  mm
     */
    public static function known(SurfaceGraph $surface, array $crease, Patches $patches, float $tip): self
    {
        return new self($surface, $crease, $tip, $patches);
    }

    /** @return int into which the creases alone cut it */
    public function patches(): int
    {
        return \count($this->patches->area);
    }

    /**
     * @param  int  $most  areas
     * @return list<int> area of each vertex, from 0
     */
    public function proposed(int $most = self::USUAL): array
    {
        return $this->shortened($this->patches->proposed($most)->of, []);
    }

    /**
     * @param  array<int, int>  $seeds  area, 0 or more, by vertex
     * @return list<int|null> area of each vertex; null where no seed's piece reaches
     *
     * @throws InvalidMesh when there is no such vertex
     */
    public function seeded(array $seeds): array
    {
        $byPatch = [];
        foreach ($seeds as $v => $area) {
            $byPatch[$this->patches->of[$v] ?? throw InvalidMesh::unknownVertex($v, \count($this->patches->of))][$v] = $area;
        }
        $several = [];
        foreach ($byPatch as $patch => $own) {
            if (\count(\array_unique($own)) > 1) {
                $several[$patch] = $own;
            }
        }
        $of = $this->walked($this->drawn($seeds), $several);
        foreach ($byPatch as $patch => $own) {
            // However strongly others draw: where a seed was set is its own.
            $of[$patch] = isset($several[$patch]) ? $of[$patch] ?? self::NONE : (int) \reset($own);
        }
        $labels = [];
        foreach ($this->patches->of as $patch) {
            $labels[] = $of[$patch] ?? self::NONE;
        }
        foreach ($several as $own) {
            foreach ($this->nearest($own) as $v => $area) {
                $labels[$v] = $area;
            }
        }

        return \array_map(static fn (int $area): ?int => $area === self::NONE ? null : $area, $this->shortened(\array_values($labels), $seeds));
    }

    /**
     * What a line around it closes in, drawn from point to point along the creases beside its way.
     *
     * @param  list<int>  $points  vertices, three at least
     * @return array<int, true>|null by vertex, the line with it; null when it closes nothing in
     */
    public function enclosed(array $points): ?array
    {
        $cheap = \array_map(static fn (float $crease): float => 1 / (1 + self::DRAWN_TO * \max(0.0, $crease)), $this->crease);
        $line = [];
        foreach ($points as $n => $point) {
            $next = $points[($n + 1) % \count($points)];
            $way = Ways::from($this->surface, [$point => 0], $cheap, until: $next)->to($next);
            if ($way === []) {
                return null;
            }
            $line += \array_fill_keys($way, true);
        }
        $labels = [];
        foreach ($this->crease as $v => $_) {
            $labels[] = isset($line[$v]) ? 1 : 0;
        }
        [$of, $areas] = $this->surface->pieces($labels);
        // What lies beside the line; the largest of that is the rest of the figure.
        $beside = [];
        foreach ($line as $v => $_) {
            for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                $w = $this->surface->next[$i];
                if (! isset($line[$w])) {
                    $beside[$of[$w]] = $areas[$of[$w]];
                }
            }
        }
        \arsort($beside);
        $inner = \array_slice($beside, 1, null, true);
        if ($inner === []) {
            return null;
        }
        $within = $line;
        foreach ($of as $v => $piece) {
            if (isset($inner[$piece])) {
                $within[$v] = true;
            }
        }

        return $within;
    }

    /** @return list<bool> whether a vertex lies within so many mm of a concave crease */
    public function nearCreases(float $mm): array
    {
        $far = Ways::from($this->surface, \array_fill_keys(\array_keys(\array_filter($this->crease, static fn (float $crease): bool => $crease >= self::CONCAVE)), 0), most: $mm)->far;

        return \array_map(static fn (int $v): bool => isset($far[$v]), \array_keys($this->crease));
    }

    /**
     * @param  array<int, array<int, float>>  $drawn  by patch and area: how strongly its seeds draw a walker there
     * @param  array<int, array<int, int>>  $several  seeds by patch with those of more than one area
     * @return array<int, int> area by patch
     */
    private function walked(array $drawn, array $several): array
    {
        $areas = [];
        foreach ($drawn as $own) {
            $areas += $own;
        }
        $areas = \array_keys($areas);
        $to = [];
        foreach ($this->patches->borders as $p => $others) {
            foreach ($others as $q => [$length, $sum]) {
                $to[$p][$q] = $length * \exp(-self::HOLDS * \max(0.0, $sum / \max(1e-9, $length)));
            }
        }
        // By patch and area: how likely a walker from there comes to a seed of that area first.
        $n = \count($this->patches->area);
        $chance = [];
        for ($p = 0; $p < $n; $p++) {
            $chance[$p] = \array_fill_keys($areas, 0.0);
            if (isset($several[$p])) {
                foreach ($several[$p] as $area) {
                    $chance[$p][$area] += 1 / \count($several[$p]);
                }
            }
        }
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            $moved = 0.0;
            for ($p = 0; $p < $n; $p++) {
                $ways = $to[$p] ?? [];
                if (isset($several[$p])) {
                    continue;
                }
                $all = \max(1e-300, \array_sum($ways) + \array_sum($drawn[$p] ?? []));
                foreach ($areas as $area) {
                    $sum = $drawn[$p][$area] ?? 0.0;
                    foreach ($ways as $q => $weight) {
                        $sum += $weight * $chance[$q][$area];
                    }
                    $moved = \max($moved, \abs($sum / $all - $chance[$p][$area]));
                    $chance[$p][$area] = $sum / $all;
                }
            }
            if ($moved < 1e-5) {
                break;
            }
        }
        $of = [];
        foreach ($chance as $p => $own) {
            \arsort($own);
            $area = \array_key_first($own);
            if ($area !== null && $own[$area] > 0.0) {
                $of[$p] = $area;
            }
        }

        return $of;
    }

    /**
     * A seed is no point but a touch of the brush: what lies about it is its own, less the farther and the more creases lie
     * between. Set a little elsewhere it means nearly the same.
     *
     * @param  array<int, int>  $seeds  area by vertex
     * @return array<int, array<int, float>> by patch and area
     */
    private function drawn(array $seeds): array
    {
        $drawn = [];
        $reach = self::TOUCH * $this->tip;
        $dear = $this->dear();
        foreach ($seeds as $seed => $area) {
            foreach (Ways::from($this->surface, [$seed => $area], $dear, 2 * $reach)->far as $v => $far) {
                $patch = $this->patches->of[$v];
                $drawn[$patch][$area] = ($drawn[$patch][$area] ?? 0.0) + self::DRAWS * $this->surface->area[$v] * \exp(-($far / $reach) ** 2 * 2);
            }
        }

        return $drawn;
    }

    /**
     * One patch with seeds of several areas: each vertex goes to the seed it is nearest to along the surface.
     *
     * @param  array<int, int>  $seeds  area by vertex, of one patch
     * @return array<int, int> area by vertex of the patch
     */
    private function nearest(array $seeds): array
    {
        $patch = $this->patches->of[(int) \array_key_first($seeds)];

        return Ways::from($this->surface, $seeds, $this->dear(), enters: fn (int $v): bool => $this->patches->of[$v] === $patch)->of;
    }

    /** @return list<float> what a mm to each vertex costs: creases are dear */
    private function dear(): array
    {
        return \array_map(static fn (float $crease): float => 1 + self::HOLDS * \max(0.0, $crease), $this->crease);
    }

    /**
     * Borders are let run like heat and caught again where two areas are as warm: they grow shorter, but for those that a
     * crease holds.
     *
     * @param  list<int>  $labels  by vertex
     * @param  array<int, int>  $fixed  area by vertex
     * @return list<int>
     */
    private function shortened(array $labels, array $fixed): array
    {
        $near = $this->nearBorders($labels);
        $flow = [];
        foreach ($this->crease as $v => $c) {
            $flow[$v] = \exp(-self::HOLDS * \max(0.0, $c));
        }
        for ($round = 0; $round < self::ROUNDS; $round++) {
            /** @var array<int, array<int, float>> $warm by vertex near a border and area */
            $warm = [];
            foreach ($near as $v => $_) {
                $warm[$v] = [$labels[$v] => 1.0];
            }
            for ($step = 0; $step < 8; $step++) {
                $old = $warm;
                foreach ($near as $v => $_) {
                    $sum = [];
                    $all = 0.0;
                    for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                        $w = $this->surface->next[$i];
                        $weight = $flow[$v] * $flow[$w];
                        $all += 1.0;
                        foreach ($old[$w] ?? [$labels[$w] => 1.0] as $label => $heat) {
                            $sum[$label] = ($sum[$label] ?? 0.0) + $weight * $heat;
                        }
                        foreach ($old[$v] as $label => $heat) {
                            $sum[$label] = ($sum[$label] ?? 0.0) + (1 - $weight) * $heat;
                        }
                    }
                    if ($all > 0.0) {
                        $warm[$v] = \array_map(static fn (float $heat): float => $heat / $all, $sum);
                    }
                }
            }
            foreach ($warm as $v => $heats) {
                if (! isset($fixed[$v])) {
                    \arsort($heats);
                    $labels[$v] = \array_key_first($heats) ?? self::NONE;
                }
            }
            $labels = \array_values($labels);
            $near = $this->nearBorders($labels);
        }

        return $labels;
    }

    /**
     * @param  list<int>  $labels
     * @return array<int, true> vertices that a border may reach in one round
     */
    private function nearBorders(array $labels): array
    {
        $near = [];
        $rim = [];
        foreach ($labels as $v => $label) {
            for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                if ($labels[$this->surface->next[$i]] !== $label) {
                    $near[$v] = true;
                    $rim[$v] = 0.0;
                    break;
                }
            }
        }
        $reach = self::REACH * $this->tip;
        while ($rim !== []) {
            $next = [];
            foreach ($rim as $v => $far) {
                for ($i = $this->surface->first[$v], $end = $this->surface->first[$v + 1]; $i < $end; $i++) {
                    $w = $this->surface->next[$i];
                    $d = $far + $this->surface->mm[$i];
                    if (! isset($near[$w]) && $d < $reach) {
                        $near[$w] = true;
                        $next[$w] = $d;
                    }
                }
            }
            $rim = $next;
        }

        return $near;
    }
}

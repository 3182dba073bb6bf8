<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * A sculpt printed in one piece divided into areas, with borders that lie in its creases: between seeds that a painter set, or by
 * itself. Patches are joined to the seeds over the shallowest borders first; where no crease helps, borders are drawn as short as
 * they can be.
 */
final readonly class Division
{
    /** Areas that a sculpt is divided into by itself, at most: own choice. */
    private const USUAL = 14;

    /** Of the whole: a piece of a proposal that is cut at its necks: own choice. */
    private const TOO_LARGE = 0.25;

    /** How much cheaper a line runs along a crease: own choice. Much more, and all lines run into the same one. */
    private const DRAWN_TO = 6;

    /** Stands for no area while borders are drawn. */
    private const NONE = -1;

    /** Creaseness from which on a surface is concave there, and not only uneven. */
    private const CONCAVE = 0.02;

    /** How much less heat passes over a crease, and how much farther apart its sides are: own choice. */
    private const HOLDS = 30;

    /** How far a border moves at most when it is drawn shorter, in tips of a brush. */
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
        $pieces = $this->patches->proposed($most);

        return $this->shortened($pieces->of, [], $pieces->rim);
    }

    /**
     * By its creases; where they leave one piece too large, as of a smooth body, along its thin necks as well.
     *
     * @param  TriangleMesh  $mesh  that the surface is of
     * @param  list<float>  $curvature  by vertex, per mm
     * @return list<int> area of each vertex, from 0
     *
     * @throws Stopped
     */
    public function proposedWithNecks(TriangleMesh $mesh, array $curvature, ?Progress $progress = null): array
    {
        $labels = $this->proposed();
        $mm2 = [];
        foreach ($labels as $v => $label) {
            $mm2[$label] = ($mm2[$label] ?? 0.0) + $this->surface->area[$v];
        }
        if (\max([0.0, ...$mm2]) <= self::TOO_LARGE * \array_sum($mm2)) {
            return $labels;
        }
        $creases = Creases::andNecks($this->surface, $curvature, Curvature::deficits($mesh), $this->tip, $progress);

        return self::known($this->surface, $creases, Patches::of($this->surface, $creases), $this->tip)->proposed();
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
        $pieces = $this->nearest(\array_filter($byPatch, static fn (array $own): bool => \count(\array_unique($own)) > 1));
        $patches = $pieces === [] ? $this->patches : $this->patches->cut($this->surface, $this->crease, $pieces);
        $byPatch = [];
        foreach ($seeds as $v => $area) {
            $byPatch[$patches->of[$v]] = $area;
        }
        $of = $patches->divided($byPatch);
        $labels = [];
        foreach ($patches->of as $patch) {
            $labels[] = $of[$patch] ?? self::NONE;
        }

        $labels = $this->shortened($labels, $seeds, $patches->rim);

        return \in_array(self::NONE, $labels, true) ? \array_map(static fn (int $area): ?int => $area === self::NONE ? null : $area, $labels) : $labels;
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
            $way = ShortestLine::between($this->surface, $cheap, $point, $next);
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
     * Patches with seeds of several areas: each vertex goes to the seed of its patch that it is nearest to along the surface.
     *
     * @param  array<int, array<int, int>>  $several  area by vertex, by patch
     * @return list<int> number of a patch and an area by vertex of these patches, from 0; NearestSeeds::NONE of others
     */
    private function nearest(array $several): array
    {
        $seeds = $number = [];
        foreach ($several as $patch => $own) {
            foreach ($own as $v => $area) {
                $seeds[$v] = $number[$patch][$area] ??= \array_sum(\array_map(\count(...), $number));
            }
        }
        if ($seeds === []) {
            return [];
        }

        return NearestSeeds::of($this->surface, $this->crease, self::HOLDS, $this->patches->of, $seeds);
    }

    /**
     * @param  list<int>  $labels  area by vertex
     * @param  array<int, int>  $fixed  area by vertex that keeps it
     * @param  list<int>  $rim  vertices, among which are all that lie at a border
     * @return list<int>
     */
    private function shortened(array $labels, array $fixed, array $rim): array
    {
        return (new ShorterBorders($this->surface, $this->crease, self::HOLDS, self::REACH * $this->tip))->of($labels, $fixed, $rim);
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;

/**
 * The five zones of light and shape on a mesh, one a triangle: 0 recess, 1 shade, 2 mid, 3 light, 4 edge. Edges and grooves
 * are what bends sharply at the width of a brush tip, whatever light falls there; the rest is light from a wide sky. Limits are
 * own estimates; they decide shares, not colours.
 */
final readonly class ZoneMap
{
    public const RECESS = 0;

    public const SHADE = 1;

    public const MID = 2;

    public const LIGHT = 3;

    public const EDGE = 4;

    /** Openness below which a brush hardly gets in, and below which not even over a ridge. */
    private const CLOSED = 0.45;

    private const DEEP = 0.3;

    /** Share of light from a wide sky (a cone of 60 degrees) below which it is shade, and from which on it is light. */
    private const DARK = 0.2;

    private const BRIGHT = 0.55;

    /** Mean curvature times the width of a brush tip from which on a ridge is an edge, and a groove a recess. */
    private const RIDGE = 0.108;

    private const GROOVE = 0.048;

    /** Of these: as far as an edge or a groove goes on where it has begun. */
    private const GOES_ON = 0.75;

    /** Width of a brush tip by the size of the whole, and its least and most, mm. */
    private const TIP = 1 / 250;

    private const FINEST_TIP = 0.3;

    private const WIDEST_TIP = 1.0;

    /** mm2 below which a zone is a fleck, which nobody paints; and what its rim loses to its neighbours, in vertices. */
    private const FLECK = 1.0;

    private const RIM = 7.0;

    /**
     * @param  list<int>  $of  zone of each triangle
     * @param  list<int>  $ofVertices  zone of each vertex of the working mesh; empty where it was known before
     */
    private function __construct(public array $of, public array $ofVertices = [])
    {
    }

    /** @param  list<int>  $of  as it was */
    public static function known(array $of): self
    {
        return new self($of);
    }

    /**
     * @param  TriangleMesh  $mesh  whose triangles get zones
     * @param  list<int>|null  $vertexOf  vertex of the working mesh by vertex of this one; null where they are the same
     * @param  SurfaceGraph  $surface  of the working mesh
     * @param  array<int, float>  $exposure  0..1, by working vertex, to a wide sky
     * @param  array<int, float>  $openness  0..1, by working vertex
     * @param  list<float>  $curvature  mean curvature by working vertex, per mm
     * @param  float  $size  longest side of the whole, mm
     */
    public static function of(TriangleMesh $mesh, ?array $vertexOf, SurfaceGraph $surface, array $exposure, array $openness, array $curvature, float $size, BendStrength $strength = new BendStrength): self
    {
        $tip = self::tip($size);
        $bend = $surface->smoothed($curvature, $tip);
        $ridge = self::reaching($surface, $bend, self::RIDGE / $tip / $strength->edges);
        $groove = self::reaching($surface, \array_map(static fn (float $h): float => -$h, $bend), self::GROOVE / $tip / $strength->grooves);
        $labels = [];
        foreach ($bend as $v => $_) {
            $open = $openness[$v];
            $labels[] = match (true) {
                $groove[$v] || $open < self::DEEP => self::RECESS,
                $ridge[$v] => self::EDGE,
                $open < self::CLOSED => self::RECESS,
                $exposure[$v] < self::DARK => self::SHADE,
                $exposure[$v] < self::BRIGHT => self::MID,
                default => self::LIGHT,
            };
        }

        $labels = $surface->dissolved($labels, self::FLECK + self::RIM * \array_sum($surface->area) / \max(1, \count($labels)));

        return new self(SurfaceGraph::onTriangles($mesh, $vertexOf, $labels), $labels);
    }

    /**
     * Of a study with a whole sky: shadows, openness and curvature of its working mesh.
     *
     * @param  Sky  $sky  with the directions of the study
     * @param  float  $size  longest side of the whole, mm
     * @return array{self, array<int, float>, list<float>} and of every working vertex its openness, 0..1, and its mean curvature, per mm
     */
    public static function studied(LightStudy $study, Sky $sky, float $size, BendStrength $strength = new BendStrength): array
    {
        $work = $study->working;
        [$x, $y, $z] = $work->coordinates();
        $open = Openness::ofVertices($x, $y, $z, $work->corners(), $study->seen, $sky->solidAngles);
        unset($x, $y, $z);
        $bend = Curvature::ofVertices($study->evaluated, $study->vertexOf, $work);

        return [self::of($study->evaluated, $study->vertexOf, SurfaceGraph::of($work), self::wideLight($work, $study->seen, $sky), $open, $bend, $size, $strength), $open, $bend];
    }

    /**
     * Zones are those of light from a wide sky, however narrow the spray: an upright wall is a mid tone.
     *
     * @param  Sky  $sky  with the directions of what is seen
     * @return array<int, float> 0..1 by vertex
     */
    public static function wideLight(TriangleMesh $working, Visibility $seen, Sky $sky): array
    {
        return Exposure::ofVertices($working, $seen, $sky->spray($sky->up, Sky::CAP));
    }

    /** @return float mm, the width of the brush tip that a figure of that size is painted with */
    public static function tip(float $size): float
    {
        return \max(self::FINEST_TIP, \min(self::WIDEST_TIP, self::TIP * $size));
    }

    /**
     * @param  list<float>  $area  mm2 by triangle
     * @param  list<int>  $regions  by triangle
     * @return array<int, list<float>> share of each of the five zones, by region; they add up to 1
     */
    public function shares(array $area, array $regions): array
    {
        $sums = [];
        foreach ($this->of as $t => $zone) {
            $sums[$regions[$t]] ??= [0.0, 0.0, 0.0, 0.0, 0.0];
            $sums[$regions[$t]][$zone] += $area[$t];
        }

        return \array_map(static function (array $s): array {
            $all = \max(1e-12, \array_sum($s));

            return \array_values(\array_map(static fn (float $mm2): float => $mm2 / $all, $s));
        }, $sums);
    }

    /**
     * What passes a limit, and what hangs together with it and nearly does (hysteresis: J. Canny 1986).
     *
     * @param  list<float>  $bend  by vertex
     * @return array<int, bool> by vertex
     */
    private static function reaching(SurfaceGraph $surface, array $bend, float $limit): array
    {
        $reached = \array_fill(0, \count($bend), false);
        $open = [];
        foreach ($bend as $v => $h) {
            if ($h >= $limit) {
                $reached[$v] = true;
                $open[] = $v;
            }
        }
        while ($open !== []) {
            $v = \array_pop($open);
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $w = $surface->next[$i];
                if (! $reached[$w] && $bend[$w] >= self::GOES_ON * $limit) {
                    $reached[$w] = true;
                    $open[] = $w;
                }
            }
        }

        return $reached;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\TriangleMesh;

/**
 * The five zones of light and shape on a mesh, one a triangle: 0 recess, 1 shade, 2 mid, 3 light, 4 edge. Limits are own
 * estimates; they decide shares, not colours.
 */
final readonly class ZoneMap
{
    public const RECESS = 0;

    public const SHADE = 1;

    public const MID = 2;

    public const LIGHT = 3;

    public const EDGE = 4;

    /** Openness below which a brush hardly gets in. */
    private const CLOSED = 0.45;

    /** Share of light from a wide sky (a cone of 60 degrees) below which it is shade, and from which on it is light. */
    private const DARK = 0.2;

    private const BRIGHT = 0.55;

    /** A ridge that turns by this many degrees within a hundredth of the whole is an edge. */
    private const RIDGE = 22.0;

    /** @param  list<int>  $of  zone of each triangle */
    private function __construct(public array $of)
    {
    }

    /** @param  list<int>  $of  as it was */
    public static function known(array $of): self
    {
        return new self($of);
    }

    /**
     * @param  array<int, float>  $exposure  0..1, by vertex, to a wide sky
     * @param  array<int, float>  $openness  0..1, by vertex
     * @param  float  $size  longest side of the whole, mm
     */
    public static function of(TriangleMesh $mesh, Adjacency $edges, array $exposure, array $openness, float $size): self
    {
        $ridge = self::ridges($mesh, $edges, $size / 100);
        $zones = [];
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
                $light = ($exposure[$a] + $exposure[$b] + $exposure[$c]) / 3;
                $open = ($openness[$a] + $openness[$b] + $openness[$c]) / 3;
                $zones[] = match (true) {
                    $open < self::CLOSED => self::RECESS,
                    \max($ridge[$a], $ridge[$b], $ridge[$c]) >= self::RIDGE => self::EDGE,
                    $light < self::DARK => self::SHADE,
                    $light < self::BRIGHT => self::MID,
                    default => self::LIGHT,
                };
            }
        }

        return new self($zones);
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
     * @return array<int, float> degrees by which the surface turns outwards within a span around a vertex; 0 in valleys
     */
    private static function ridges(TriangleMesh $mesh, Adjacency $edges, float $span): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $ridge = \array_fill(0, \count($x), 0.0);
        foreach ($edges->angle as $e => $angle) {
            if ($angle <= 0) {
                continue;
            }
            [$p, $q] = $edges->ends($e);
            [$one, $two] = $edges->triangles($e);
            $length = \sqrt(($x[$p] - $x[$q]) ** 2 + ($y[$p] - $y[$q]) ** 2 + ($z[$p] - $z[$q]) ** 2);
            // Across the edge lie the middles of its two triangles: the turn happens over about that way.
            $across = $length > 1e-12 ? ($edges->area[$one] + $edges->area[$two]) / $length : \INF;
            $within = $angle * \min(1.0, $span / \max(1e-12, $across));
            // A sharp edge is one however large its triangles are.
            $turn = $angle > 35 ? $angle : $within;
            if ($turn > $ridge[$p]) {
                $ridge[$p] = $turn;
            }
            if ($turn > $ridge[$q]) {
                $ridge[$q] = $turn;
            }
        }

        return $ridge;
    }
}

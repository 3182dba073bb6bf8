<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\TriangleMesh;

/**
 * How many mm2 of every zone of every region each vertex of a working mesh stands for. They depend on regions and zones
 * only: the mean light on a region is then one sum over the working mesh, however large the mesh itself is.
 */
final readonly class ZoneWeights
{
    private const ZONES = 5;

    /** @param  array<int, array<int, float>>  $of  mm2 by 5 x region + zone, and by vertex */
    private function __construct(public array $of)
    {
    }

    /**
     * @param  TriangleMesh  $mesh  with its regions and zones
     * @param  list<int>|null  $vertexOf  vertex of the working mesh by vertex of this one; null where they are the same
     * @param  list<float>  $mm2  of every triangle
     * @param  list<int>  $zones  0..4 by triangle
     * @param  list<int>  $regions  from 0, by triangle
     */
    public static function of(TriangleMesh $mesh, ?array $vertexOf, array $mm2, array $zones, array $regions): self
    {
        $of = [];
        $t = 0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3, $t++) {
                $key = self::ZONES * $regions[$t] + $zones[$t];
                $third = $mm2[$t] / 3;
                for ($k = $i; $k < $i + 3; $k++) {
                    $v = $vertexOf === null ? $corners[$k] : $vertexOf[$corners[$k]];
                    $of[$key][$v] = ($of[$key][$v] ?? 0.0) + $third;
                }
            }
        }

        return new self($of);
    }

    /** @param  array<int, array<int, float>>  $of  as it was */
    public static function known(array $of): self
    {
        return new self($of);
    }

    /**
     * @param  array<int, float>  $light  by vertex of the working mesh
     * @return array<int, array{float, list<float|null>}> by region: the mean over its area, and over each of its zones; null
     *                                                    for a zone that it has not
     */
    public function means(array $light): array
    {
        $sums = $mm2 = [];
        foreach ($this->of as $key => $weights) {
            [$region, $zone] = [intdiv($key, self::ZONES), $key % self::ZONES];
            $sum = $all = 0.0;
            foreach ($weights as $v => $weight) {
                $sum += $weight * $light[$v];
                $all += $weight;
            }
            $sums[$region][$zone] = $sum;
            $mm2[$region][$zone] = $all;
        }
        $means = [];
        foreach ($sums as $region => $byZone) {
            $zones = [];
            for ($zone = 0; $zone < self::ZONES; $zone++) {
                $area = $mm2[$region][$zone] ?? 0.0;
                $zones[] = $area > 0.0 ? ($byZone[$zone] ?? 0.0) / $area : null;
            }
            $all = \array_sum($mm2[$region]);
            $means[$region] = [$all > 0.0 ? \array_sum($byZone) / $all : 0.0, $zones];
        }

        return $means;
    }
}

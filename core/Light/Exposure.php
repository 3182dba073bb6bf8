<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\TriangleMesh;

/**
 * How much of a spray every triangle receives, 0..1: a surface that lies open and faces the axis receives 1. Each direction
 * gives by the cosine of its angle to the surface, if it reaches it.
 */
final readonly class Exposure
{
    private const BINS = 4096;

    /**
     * @param  string  $byTriangle  one byte each, 255 for 1
     * @param  float  $mean  over the area
     * @param  list<float>  $deciles  eleven: least, then below which each tenth of the area lies, greatest
     */
    private function __construct(public string $byTriangle, public float $mean, public array $deciles)
    {
    }

    /**
     * @param  TriangleMesh  $mesh  whose own triangles face the spray
     * @param  list<int>|null  $vertexOf  vertex of the mesh that visibility was computed for, by vertex of this one; null
     *                                    where they are the same
     * @param  SprayCone  $cone  with the directions of the visibility, or fewer of them by weight 0
     */
    public static function of(TriangleMesh $mesh, ?array $vertexOf, Visibility $seen, SprayCone $cone): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $bytes = '';
        $bins = array_fill(0, self::BINS + 1, 0.0);
        $sum = $all = 0.0;
        foreach ($mesh->chunks() as $corners) {
            [$values, $areas] = self::chunk($corners, $x, $y, $z, $vertexOf, $seen, $cone);
            $out = [];
            foreach ($values as $i => $value) {
                $out[] = (int) ($value * 255 + 0.5);
                $bins[(int) ($value * self::BINS + 0.5)] += $areas[$i];
                $sum += $value * $areas[$i];
                $all += $areas[$i];
            }
            $bytes .= \pack('C*', ...$out);
        }

        return new self($bytes, $all > 0 ? $sum / $all : 0.0, self::deciles($bins, $all));
    }

    /**
     * @param  array<int, int>  $corners  from 1 on
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>|null  $vertexOf
     * @return array{list<float>, list<float>} exposure and twice the area of each triangle
     */
    public static function chunk(array $corners, array $x, array $y, array $z, ?array $vertexOf, Visibility $seen, SprayCone $cone): array
    {
        // The hot loop of light: one pass for each 64 directions, plain lists, no calls within.
        $sums = $areas = $ns = [];
        for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
            $a = $corners[$i];
            $b = $corners[$i + 1];
            $c = $corners[$i + 2];
            $ux = $x[$b] - $x[$a];
            $uy = $y[$b] - $y[$a];
            $uz = $z[$b] - $z[$a];
            $vx = $x[$c] - $x[$a];
            $vy = $y[$c] - $y[$a];
            $vz = $z[$c] - $z[$a];
            $px = $uy * $vz - $uz * $vy;
            $py = $uz * $vx - $ux * $vz;
            $pz = $ux * $vy - $uy * $vx;
            $area = \sqrt($px * $px + $py * $py + $pz * $pz);
            $per = $area > 1e-20 ? 1 / $area : 0.0;
            $ns[] = $px * $per;
            $ns[] = $py * $per;
            $ns[] = $pz * $per;
            $areas[] = $area;
            $sums[] = 0.0;
        }
        foreach ($seen->bits as $word => $bits) {
            $dx = $dy = $dz = $at = [];
            for ($k = 64 * $word, $end = \min($k + 64, \count($seen->directions)); $k < $end; $k++) {
                if ($cone->weights[$k] > 0.0) {
                    // The weight is in the length.
                    $weight = $cone->weights[$k] / 3;
                    [$ex, $ey, $ez] = $seen->directions[$k];
                    $dx[] = $ex * $weight;
                    $dy[] = $ey * $weight;
                    $dz[] = $ez * $weight;
                    $at[] = $k & 63;
                }
            }
            $count = \count($at);
            if ($count === 0) {
                continue;
            }
            foreach ($sums as $t => $sum) {
                $i = 3 * $t;
                if ($vertexOf === null) {
                    $a = $bits[$corners[$i + 1]];
                    $b = $bits[$corners[$i + 2]];
                    $c = $bits[$corners[$i + 3]];
                } else {
                    $a = $bits[$vertexOf[$corners[$i + 1]]];
                    $b = $bits[$vertexOf[$corners[$i + 2]]];
                    $c = $bits[$vertexOf[$corners[$i + 3]]];
                }
                if (($a | $b | $c) === 0) {
                    continue;
                }
                $nx = $ns[$i];
                $ny = $ns[$i + 1];
                $nz = $ns[$i + 2];
                for ($k = 0; $k < $count; $k++) {
                    $cos = $nx * $dx[$k] + $ny * $dy[$k] + $nz * $dz[$k];
                    if ($cos > 0) {
                        $bit = $at[$k];
                        $sum += $cos * ((($a >> $bit) & 1) + (($b >> $bit) & 1) + (($c >> $bit) & 1));
                    }
                }
                $sums[$t] = $sum;
            }
        }
        $full = \max(1e-12, $cone->full());
        foreach ($sums as $t => $sum) {
            $sums[$t] = \min(1.0, $sum / $full);
        }

        return [$sums, $areas];
    }

    /**
     * Of every vertex: the mean of its triangles, weighed by their area.
     *
     * @return array<int, float> 0..1, by vertex
     */
    public static function ofVertices(TriangleMesh $mesh, Visibility $seen, SprayCone $cone): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $sum = $area = \array_fill(0, \count($x), 0.0);
        foreach ($mesh->chunks() as $corners) {
            [$values, $areas] = self::chunk($corners, $x, $y, $z, null, $seen, $cone);
            foreach ($values as $t => $value) {
                for ($k = 1; $k <= 3; $k++) {
                    $v = $corners[3 * $t + $k];
                    $sum[$v] += $value * $areas[$t];
                    $area[$v] += $areas[$t];
                }
            }
        }
        foreach ($sum as $v => $s) {
            $sum[$v] = $area[$v] > 0 ? $s / $area[$v] : 0.0;
        }

        return $sum;
    }

    /**
     * @param  array<int, float>  $bins
     * @return list<float>
     */
    private static function deciles(array $bins, float $all): array
    {
        $deciles = [];
        $below = 0.0;
        foreach ($bins as $bin => $area) {
            if ($area > 0.0 && $deciles === []) {
                $deciles[] = $bin / self::BINS;
            }
            $below += $area;
            while ($deciles !== [] && count($deciles) < 10 && $below >= count($deciles) / 10 * $all - 1e-9 * $all) {
                $deciles[] = $bin / self::BINS;
            }
            if ($area > 0.0) {
                $greatest = $bin / self::BINS;
            }
        }
        while (count($deciles) < 10) {
            $deciles[] = $greatest ?? 0.0;
        }

        return [...$deciles, $greatest ?? 0.0];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Splits long edges in the middle until none is left: bases and hard surfaces of few large triangles would shade in flat
 * wedges. Neighbours split alike, so that no gap opens; area and volume stay as they were.
 */
final readonly class Refinement
{
    private const ROUNDS = 16;

    private const MOST_TRIANGLES = 260_000;

    /** @param  list<int>  $parentOf  triangle of the mesh it was made of, by triangle */
    private function __construct(public TriangleMesh $mesh, public array $parentOf)
    {
    }

    /** @param  float  $longest  mm an edge may have */
    public static function of(TriangleMesh $mesh, float $longest): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $most = $longest * $longest;
        $parents = \range(0, $mesh->triangles() - 1);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $middle = $out = $of = [];
            for ($t = 0, $n = \count($corners); $t < $n; $t += 3) {
                $c = [$corners[$t], $corners[$t + 1], $corners[$t + 2]];
                $m = [];
                for ($k = 0; $k < 3; $k++) {
                    $p = $c[$k];
                    $q = $c[($k + 1) % 3];
                    $d = ($x[$p] - $x[$q]) ** 2 + ($y[$p] - $y[$q]) ** 2 + ($z[$p] - $z[$q]) ** 2;
                    if ($d <= $most) {
                        $m[] = -1;

                        continue;
                    }
                    $key = $p < $q ? ($p << 32) | $q : ($q << 32) | $p;
                    if (! isset($middle[$key])) {
                        $middle[$key] = \count($x);
                        $x[] = ($x[$p] + $x[$q]) / 2;
                        $y[] = ($y[$p] + $y[$q]) / 2;
                        $z[] = ($z[$p] + $z[$q]) / 2;
                    }
                    $m[] = $middle[$key];
                }
                self::split($c, $m, $out);
                for ($made = intdiv(\count($out), 3) - \count($of); $made > 0; $made--) {
                    $of[] = $parents[intdiv($t, 3)];
                }
            }
            $corners = $out;
            $parents = $of;
            if ($middle === [] || \count($corners) > 3 * self::MOST_TRIANGLES) {
                break;
            }
        }

        return new self(self::mesh($x, $y, $z, $corners), $parents);
    }

    /**
     * @param  array{int, int, int}  $c
     * @param  list<int>  $m  vertex in the middle of the edge from each corner to the next, or -1
     * @param  list<int>  $out
     */
    private static function split(array $c, array $m, array &$out): void
    {
        $count = ($m[0] >= 0 ? 1 : 0) + ($m[1] >= 0 ? 1 : 0) + ($m[2] >= 0 ? 1 : 0);
        if ($count === 0) {
            array_push($out, $c[0], $c[1], $c[2]);
        } elseif ($count === 3) {
            array_push($out, $c[0], $m[0], $m[2], $m[0], $c[1], $m[1], $m[2], $m[1], $c[2], $m[0], $m[1], $m[2]);
        } elseif ($count === 1) {
            $k = $m[0] >= 0 ? 0 : ($m[1] >= 0 ? 1 : 2);
            [$a, $b, $d, $h] = [$c[$k], $c[($k + 1) % 3], $c[($k + 2) % 3], $m[$k]];
            array_push($out, $a, $h, $d, $h, $b, $d);
        } else {
            $k = $m[0] < 0 ? 0 : ($m[1] < 0 ? 1 : 2);
            // The whole edge runs from a to b; the corner across it is d.
            [$a, $b, $d, $h, $i] = [$c[$k], $c[($k + 1) % 3], $c[($k + 2) % 3], $m[($k + 1) % 3], $m[($k + 2) % 3]];
            array_push($out, $a, $b, $h, $a, $h, $i, $i, $h, $d);
        }
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     */
    private static function mesh(array $x, array $y, array $z, array $corners): TriangleMesh
    {
        $positions = '';
        for ($v = 0, $n = \count($x); $v < $n; $v++) {
            $positions .= \pack('g3', $x[$v], $y[$v], $z[$v]);
        }
        $indices = '';
        foreach (\array_chunk($corners, 3 * TriangleMesh::CHUNK) as $chunk) {
            $indices .= \pack('V*', ...$chunk);
        }

        return TriangleMesh::of($positions, $indices);
    }
}

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
        [$corners, $parents] = self::refined($x, $y, $z, $mesh->corners(), \range(0, $mesh->triangles() - 1), $longest);

        return new self(self::mesh($x, $y, $z, $corners), $parents);
    }

    /**
     * The same for a fine mesh with a few coarse triangles, such as the base beneath a sculpt: only those are decoded.
     *
     * @param  float  $longest  mm an edge may have
     * @return self|null null where no edge is longer; what is split comes last otherwise
     */
    public static function ofFew(TriangleMesh $mesh, float $longest): ?self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $most = $longest * $longest;
        $long = $corners = $parents = [];
        $t = 0;
        foreach ($mesh->chunks() as $chunk) {
            for ($i = 1, $n = \count($chunk); $i < $n; $i += 3, $t++) {
                [$a, $b, $c] = [$chunk[$i], $chunk[$i + 1], $chunk[$i + 2]];
                // Both triangles of a long edge are found here: no other needs to be split.
                if (($x[$a] - $x[$b]) ** 2 + ($y[$a] - $y[$b]) ** 2 + ($z[$a] - $z[$b]) ** 2 > $most
                    || ($x[$b] - $x[$c]) ** 2 + ($y[$b] - $y[$c]) ** 2 + ($z[$b] - $z[$c]) ** 2 > $most
                    || ($x[$c] - $x[$a]) ** 2 + ($y[$c] - $y[$a]) ** 2 + ($z[$c] - $z[$a]) ** 2 > $most) {
                    $long[$t] = true;
                    array_push($corners, $a, $b, $c);
                } else {
                    $parents[] = $t;
                }
            }
        }
        if ($long === []) {
            return null;
        }
        [$corners, $of] = self::refined($x, $y, $z, $corners, \array_keys($long), $longest);
        $indices = '';
        $from = 0;
        foreach ([...\array_keys($long), $mesh->triangles()] as $next) {
            $indices .= \substr($mesh->indices, 12 * $from, 12 * ($next - $from));
            $from = $next + 1;
        }
        $split = self::mesh($x, $y, $z, $corners);
        array_push($parents, ...$of);

        return new self(TriangleMesh::of($split->positions, $indices.$split->indices), $parents);
    }

    /**
     * @param  list<float>  $x  gets the vertices that are made
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @param  list<int>  $parents  by triangle
     * @return array{list<int>, list<int>} corners and parents
     */
    private static function refined(array &$x, array &$y, array &$z, array $corners, array $parents, float $longest): array
    {
        $most = $longest * $longest;
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

        return [$corners, $parents];
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

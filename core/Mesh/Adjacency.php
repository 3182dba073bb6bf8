<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Which triangles meet along which edge, and how sharply.
 */
final readonly class Adjacency
{
    private const LOW = 0xFFFFFFFF;

    /**
     * Parallel lists, one entry for every edge that exactly two triangles share. Two numbers of 32 bits stand in one: at two
     * million triangles a list less is fifty megabytes less.
     *
     * @param  list<int>  $triangles  one << 32 | the other
     * @param  list<int>  $vertices  one end << 32 | the other
     * @param  list<float>  $angle  degrees between the normals, positive over a ridge, negative in a valley
     * @param  list<float>  $area  mm2 by triangle
     */
    private function __construct(private array $triangles, private array $vertices, public array $angle, public array $area)
    {
    }

    public static function of(TriangleMesh $mesh): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $first = $triangles = $vertices = $angle = $area = [];
        $f = 0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3, $f++) {
                [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
                $nx = ($y[$b] - $y[$a]) * ($z[$c] - $z[$a]) - ($z[$b] - $z[$a]) * ($y[$c] - $y[$a]);
                $ny = ($z[$b] - $z[$a]) * ($x[$c] - $x[$a]) - ($x[$b] - $x[$a]) * ($z[$c] - $z[$a]);
                $nz = ($x[$b] - $x[$a]) * ($y[$c] - $y[$a]) - ($y[$b] - $y[$a]) * ($x[$c] - $x[$a]);
                $length = \sqrt($nx * $nx + $ny * $ny + $nz * $nz);
                $area[] = $length / 2;
                $p = $c;
                for ($k = 0; $k < 3; $k++) {
                    $q = $corners[$i + $k];
                    // The corner across from this edge.
                    $r = $corners[$i + ($k + 1) % 3];
                    $key = $p < $q ? ($p << 32) | $q : ($q << 32) | $p;
                    if (! isset($first[$key])) {
                        // Of the first triangle its number, the corner across, and which way it runs along the edge.
                        $first[$key] = [$f, $p < $q ? $r : ~$r];
                    } else {
                        [$g, $across] = $first[$key];
                        unset($first[$key]);
                        [$s, $up] = $across < 0 ? [~$across, false] : [$across, true];
                        [$v, $w] = $up === $p < $q ? [$p, $q] : [$q, $p];
                        $mx = ($y[$w] - $y[$v]) * ($z[$s] - $z[$v]) - ($z[$w] - $z[$v]) * ($y[$s] - $y[$v]);
                        $my = ($z[$w] - $z[$v]) * ($x[$s] - $x[$v]) - ($x[$w] - $x[$v]) * ($z[$s] - $z[$v]);
                        $mz = ($x[$w] - $x[$v]) * ($y[$s] - $y[$v]) - ($y[$w] - $y[$v]) * ($x[$s] - $x[$v]);
                        $lengths = $length * \sqrt($mx * $mx + $my * $my + $mz * $mz);
                        $cos = $lengths > 1e-30 ? ($nx * $mx + $ny * $my + $nz * $mz) / $lengths : 0.0;
                        // The far corner of this triangle lies above the other's plane in a valley, below it over a ridge.
                        $above = ($x[$r] - $x[$p]) * $mx + ($y[$r] - $y[$p]) * $my + ($z[$r] - $z[$p]) * $mz;
                        $triangles[] = ($g << 32) | $f;
                        $vertices[] = ($p << 32) | $q;
                        $angle[] = \rad2deg(\acos(\max(-1.0, \min(1.0, $cos)))) * ($above > 0 ? -1 : 1);
                    }
                    $p = $q;
                }
            }
        }

        return new self($triangles, $vertices, $angle, $area);
    }

    /** @return array{int, int} the triangles of an edge */
    public function triangles(int $edge): array
    {
        return [$this->triangles[$edge] >> 32, $this->triangles[$edge] & self::LOW];
    }

    /** @return array{int, int} the ends of an edge */
    public function ends(int $edge): array
    {
        return [$this->vertices[$edge] >> 32, $this->vertices[$edge] & self::LOW];
    }

    /** @return int the other triangle of an edge */
    public function across(int $edge, int $triangle): int
    {
        [$one, $two] = $this->triangles($edge);

        return $one === $triangle ? $two : $one;
    }

    /** @return list<list<int>> edges of every triangle, as places in the lists */
    public function edgesOf(): array
    {
        $edges = \array_fill(0, \count($this->area), []);
        foreach ($this->triangles as $e => $pair) {
            $edges[$pair >> 32][] = $e;
            $edges[$pair & self::LOW][] = $e;
        }

        return $edges;
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Which triangles meet along which edge, and how sharply.
 */
final readonly class Adjacency
{
    /**
     * Parallel lists, one entry for every edge that exactly two triangles share.
     *
     * @param  list<int>  $one  triangle
     * @param  list<int>  $two  triangle
     * @param  list<int>  $from  vertex
     * @param  list<int>  $to  vertex
     * @param  list<float>  $angle  degrees between the normals, positive over a ridge, negative in a valley
     * @param  list<float>  $area  mm2 by triangle
     */
    private function __construct(public array $one, public array $two, public array $from, public array $to, public array $angle, public array $area)
    {
    }

    public static function of(TriangleMesh $mesh): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $nx = $ny = $nz = $area = $cx = $cy = $cz = [];
        for ($t = 0, $n = \count($corners); $t < $n; $t += 3) {
            [$a, $b, $c] = [$corners[$t], $corners[$t + 1], $corners[$t + 2]];
            $px = ($y[$b] - $y[$a]) * ($z[$c] - $z[$a]) - ($z[$b] - $z[$a]) * ($y[$c] - $y[$a]);
            $py = ($z[$b] - $z[$a]) * ($x[$c] - $x[$a]) - ($x[$b] - $x[$a]) * ($z[$c] - $z[$a]);
            $pz = ($x[$b] - $x[$a]) * ($y[$c] - $y[$a]) - ($y[$b] - $y[$a]) * ($x[$c] - $x[$a]);
            $length = \sqrt($px * $px + $py * $py + $pz * $pz);
            $area[] = $length / 2;
            $per = $length > 1e-20 ? 1 / $length : 0.0;
            $nx[] = $px * $per;
            $ny[] = $py * $per;
            $nz[] = $pz * $per;
            $cx[] = ($x[$a] + $x[$b] + $x[$c]) / 3;
            $cy[] = ($y[$a] + $y[$b] + $y[$c]) / 3;
            $cz[] = ($z[$a] + $z[$b] + $z[$c]) / 3;
        }
        $first = $one = $two = $from = $to = $angle = [];
        foreach ($area as $f => $_) {
            $p = $corners[3 * $f + 2];
            for ($k = 0; $k < 3; $k++) {
                $q = $corners[3 * $f + $k];
                $key = $p < $q ? ($p << 32) | $q : ($q << 32) | $p;
                if (isset($first[$key])) {
                    $g = $first[$key];
                    unset($first[$key]);
                    $cos = $nx[$f] * $nx[$g] + $ny[$f] * $ny[$g] + $nz[$f] * $nz[$g];
                    // The other triangle's middle lies above this one's plane in a valley, below it over a ridge.
                    $above = ($cx[$f] - $cx[$g]) * $nx[$g] + ($cy[$f] - $cy[$g]) * $ny[$g] + ($cz[$f] - $cz[$g]) * $nz[$g];
                    $one[] = $g;
                    $two[] = $f;
                    $from[] = $p;
                    $to[] = $q;
                    $angle[] = \rad2deg(\acos(\max(-1.0, \min(1.0, $cos)))) * ($above > 0 ? -1 : 1);
                } else {
                    $first[$key] = $f;
                }
                $p = $q;
            }
        }

        return new self($one, $two, $from, $to, $angle, $area);
    }

    /** @return list<list<int>> edges of every triangle, as places in the lists */
    public function edgesOf(): array
    {
        $edges = \array_fill(0, \count($this->area), []);
        foreach ($this->one as $e => $f) {
            $edges[$f][] = $e;
            $edges[$this->two[$e]][] = $e;
        }

        return $edges;
    }
}

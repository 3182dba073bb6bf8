<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Measures of a mesh that one pass over its triangles gives.
 */
final readonly class MeshMeasures
{
    /**
     * @param  float  $areaMm2  of all triangles
     * @param  float  $volumeMm3  enclosed, by the divergence theorem; negative when it is inside out, meaningless with open edges
     * @param  array{array{float, float, float}, array{float, float, float}}  $boundsMm  least and greatest corner
     * @param  int  $shells  pieces that share no vertex
     * @param  int  $openEdges  that bound one triangle only
     * @param  int  $inconsistentEdges  whose two triangles run the same way round
     * @param  list<int>  $shellOf  shell of each vertex, from 0
     */
    private function __construct(
        public float $areaMm2,
        public float $volumeMm3,
        public array $boundsMm,
        public int $shells,
        public int $openEdges,
        public int $inconsistentEdges,
        public array $shellOf,
    ) {
    }

    /** @throws InvalidMesh when all points lie in one place */
    public static function of(TriangleMesh $mesh): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        [$area, $volume] = self::areaAndVolume($mesh, $x, $y, $z);
        [$open, $inconsistent] = self::edges($mesh);
        [$shells, $shellOf] = self::shells($mesh);
        $bounds = $mesh->bounds();
        if ($bounds[0] === $bounds[1]) {
            throw InvalidMesh::flat();
        }

        return new self($area, $volume, $bounds, $shells, $open, $inconsistent, $shellOf);
    }

    /** @return float longest side of its box, mm */
    public function size(): float
    {
        return max(array_map(static fn (float $low, float $high): float => $high - $low, $this->boundsMm[0], $this->boundsMm[1]));
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @return array{float, float}
     */
    private static function areaAndVolume(TriangleMesh $mesh, array $x, array $y, array $z): array
    {
        $area = $volume = 0.0;
        foreach ($mesh->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3) {
                $a = $c[$i];
                $b = $c[$i + 1];
                $d = $c[$i + 2];
                $ax = $x[$a];
                $ay = $y[$a];
                $az = $z[$a];
                $ux = $x[$b] - $ax;
                $uy = $y[$b] - $ay;
                $uz = $z[$b] - $az;
                $vx = $x[$d] - $ax;
                $vy = $y[$d] - $ay;
                $vz = $z[$d] - $az;
                $nx = $uy * $vz - $uz * $vy;
                $ny = $uz * $vx - $ux * $vz;
                $nz = $ux * $vy - $uy * $vx;
                $area += \sqrt($nx * $nx + $ny * $ny + $nz * $nz);
                $volume += $ax * $nx + $ay * $ny + $az * $nz;
            }
        }

        return [$area / 2, $volume / 6];
    }

    /** @return array{int, int} open, inconsistent */
    private static function edges(TriangleMesh $mesh): array
    {
        $open = $inconsistent = 0;
        foreach (EdgeFront::of($mesh) as $sum) {
            if ($sum === 1 || $sum === -1) {
                $open++;
            } else {
                $inconsistent++;
            }
        }

        return [$open, $inconsistent];
    }

    /** @return array{int, list<int>} how many pieces do not touch, and the piece of each vertex, from 0 in the order of the file */
    public static function shells(TriangleMesh $mesh): array
    {
        $parent = \range(0, $mesh->vertices() - 1);
        $used = [];
        foreach ($mesh->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3) {
                $a = $c[$i];
                while ($parent[$a] !== $a) {
                    $a = $parent[$a] = $parent[$parent[$a]];
                }
                for ($k = 1; $k < 3; $k++) {
                    $b = $c[$i + $k];
                    while ($parent[$b] !== $b) {
                        $b = $parent[$b] = $parent[$parent[$b]];
                    }
                    if ($a !== $b) {
                        // The lower number is the root: shells are numbered in the order of the file.
                        if ($a < $b) {
                            $parent[$b] = $a;
                        } else {
                            $parent[$a] = $b;
                            $a = $b;
                        }
                    }
                }
                $used[$a] = true;
            }
        }
        $number = $shellOf = [];
        foreach ($parent as $v => $_) {
            $root = $v;
            while ($parent[$root] !== $root) {
                $root = $parent[$root];
            }
            $shellOf[] = $number[$root] ??= \count($number);
        }
        $shells = [];
        foreach (\array_keys($used) as $v) {
            $shells[$shellOf[$v]] = true;
        }

        return [\count($shells), $shellOf];
    }
}

<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Finds the pegs and sockets of a part: a flat face whose border falls away on all sides down to a shoulder, or rises on all
 * sides up to a rim.
 */
final readonly class Plugs
{
    /** Cosine within which triangles are of one face: 4 degrees. */
    private const FLAT = 0.9976;

    /** Degrees from which an edge bounds a face. */
    private const SHARP = 20.0;

    /** Of the border that must be of one kind: printers and programs leave odd slivers. */
    private const MOSTLY = 0.9;

    /** mm2 of a face; smaller is a rivet, larger a side of the figure. */
    private const LEAST = 0.4;

    private const MOST = 900.0;

    /** mm: shorter is an emboss, longer a limb. */
    private const SHORTEST = 0.6;

    private const LONGEST = 30.0;

    /** Wall and face together, of the face: a peg is hardly longer than six times its radius. */
    private const SLIM = 14.0;

    /**
     * Flat lists over vertices, corners and triangles of the mesh.
     *
     * @param  list<list<int>>  $edgesOf
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @param  list<array{float, float, float}>  $normals
     */
    private function __construct(
        private Adjacency $edges,
        private array $edgesOf,
        private array $x,
        private array $y,
        private array $z,
        private array $corners,
        private array $normals,
        private float $unitMm,
    ) {
    }

    /**
     * @param  float  $unitMm  of one unit of the mesh
     * @return list<Plug> in mm
     */
    public static function of(TriangleMesh $mesh, float $unitMm = 1.0): array
    {
        $edges = Adjacency::of($mesh);
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $normals = [];
        for ($t = 0, $n = $mesh->triangles(); $t < $n; $t++) {
            $normals[] = self::normal($x, $y, $z, $corners, $t);
        }

        return (new self($edges, $edges->edgesOf(), $x, $y, $z, $corners, $normals, $unitMm))->found();
    }

    /** @return list<Plug> */
    private function found(): array
    {
        $seen = \array_fill(0, \count($this->normals), false);
        $found = [];
        foreach ($this->normals as $t => $axis) {
            if ($seen[$t] || $this->edges->area[$t] <= 0.0) {
                continue;
            }
            [$face, $mm2, $ridge, $valley, $around] = $this->face($seen, $t);
            $mm2 *= $this->unitMm ** 2;
            $isSocket = $valley >= self::MOSTLY * $around;
            if ($around <= 0.0 || $mm2 < self::LEAST || $mm2 > self::MOST || (! $isSocket && $ridge < self::MOSTLY * $around)) {
                continue;
            }
            $wall = $this->wall($face, $axis, $isSocket, self::SLIM * $mm2 / $this->unitMm ** 2);
            if ($wall === null) {
                continue;
            }
            [$within, $border] = $wall;
            $plug = $this->measured(\array_keys($face), $within, $border, $axis, $isSocket);
            if ($plug->depth >= self::SHORTEST && $plug->depth <= self::LONGEST) {
                $found[] = $plug;
            }
        }

        return $found;
    }

    /**
     * @param  array<int, bool>  $seen
     * @return array{array<int, true>, float, float, float, float} triangles, their area, and of their border what is a ridge, a
     *                                                             valley, and all
     */
    private function face(array &$seen, int $seed): array
    {
        [$ax, $ay, $az] = $this->normals[$seed];
        $face = [$seed => true];
        $open = [$seed];
        $seen[$seed] = true;
        $mm2 = 0.0;
        $border = [];
        while ($open !== []) {
            $t = \array_pop($open);
            $mm2 += $this->edges->area[$t];
            foreach ($this->edgesOf[$t] as $e) {
                $next = $this->edges->across($e, $t);
                if (isset($face[$next])) {
                    continue;
                }
                [$nx, $ny, $nz] = $this->normals[$next];
                if ($ax * $nx + $ay * $ny + $az * $nz >= self::FLAT && ! $seen[$next]) {
                    $seen[$next] = true;
                    $face[$next] = true;
                    $open[] = $next;
                } else {
                    $border[] = $e;
                }
            }
        }
        $ridge = $valley = $around = 0.0;
        foreach ($border as $e) {
            [$one, $two] = $this->edges->triangles($e);
            if (isset($face[$one], $face[$two])) {
                continue;
            }
            $length = $this->length($e);
            $around += $length;
            $ridge += $this->edges->angle[$e] >= self::SHARP ? $length : 0.0;
            $valley += $this->edges->angle[$e] <= -self::SHARP ? $length : 0.0;
        }

        return [$face, $mm2, $ridge, $valley, $around];
    }

    /**
     * The wall about a face, as far as its shoulder or rim.
     *
     * @param  array<int, true>  $face
     * @param  array{float, float, float}  $axis
     * @param  float  $most  in squares of the mesh's units
     * @return array{list<int>, list<int>}|null face and wall; edges of the shoulder or rim. Null when there is none
     */
    private function wall(array $face, array $axis, bool $isSocket, float $most): ?array
    {
        // A wall of a peg ends in a valley, one of a socket on a ridge.
        $sign = $isSocket ? 1.0 : -1.0;
        $within = $face;
        $open = \array_keys($face);
        $border = [];
        $area = 0.0;
        while ($open !== []) {
            $t = \array_pop($open);
            $area += $this->edges->area[$t];
            if ($area > $most) {
                return null;
            }
            foreach ($this->edgesOf[$t] as $e) {
                $next = $this->edges->across($e, $t);
                if (isset($within[$next])) {
                    continue;
                }
                [$nx, $ny, $nz] = $this->normals[$next];
                if ($sign * $this->edges->angle[$e] < self::SHARP && $axis[0] * $nx + $axis[1] * $ny + $axis[2] * $nz >= -0.25) {
                    $within[$next] = true;
                    $open[] = $next;
                } else {
                    $border[] = $e;
                }
            }
        }
        $ends = [];
        $right = $all = 0.0;
        foreach ($border as $e) {
            [$one, $two] = $this->edges->triangles($e);
            if (isset($within[$one], $within[$two])) {
                continue;
            }
            $ends[] = $e;
            $length = $this->length($e);
            $all += $length;
            $right += $sign * $this->edges->angle[$e] >= self::SHARP ? $length : 0.0;
        }

        return \count($within) === \count($face) || $all <= 0.0 || $right < self::MOSTLY * $all ? null : [\array_keys($within), $ends];
    }

    /**
     * @param  list<int>  $face
     * @param  list<int>  $within
     * @param  list<int>  $border
     * @param  array{float, float, float}  $axis
     */
    private function measured(array $face, array $within, array $border, array $axis, bool $isSocket): Plug
    {
        $at = fn (int $v): array => [$this->x[$v] * $this->unitMm, $this->y[$v] * $this->unitMm, $this->z[$v] * $this->unitMm];
        $triangles = [];
        $centre = [0.0, 0.0, 0.0];
        $area = 0.0;
        foreach ($face as $t) {
            $p = [$at($this->corners[3 * $t]), $at($this->corners[3 * $t + 1]), $at($this->corners[3 * $t + 2])];
            $triangles[] = $p;
            $mm2 = $this->edges->area[$t];
            $area += $mm2;
            for ($k = 0; $k < 3; $k++) {
                $centre[$k] += $mm2 * ($p[0][$k] + $p[1][$k] + $p[2][$k]) / 3;
            }
        }
        $centre = [$centre[0] / $area, $centre[1] / $area, $centre[2] / $area];
        // What face and wall cover seen along the axis is the section, chamfers and drafts included.
        $section = 0.0;
        foreach ($within as $t) {
            $section += $this->edges->area[$t] * ($this->normals[$t][0] * $axis[0] + $this->normals[$t][1] * $axis[1] + $this->normals[$t][2] * $axis[2]);
        }
        $depth = 0.0;
        foreach ($border as $e) {
            foreach ($this->edges->ends($e) as $v) {
                $p = $at($v);
                $depth += ($isSocket ? 1 : -1) * (($p[0] - $centre[0]) * $axis[0] + ($p[1] - $centre[1]) * $axis[1] + ($p[2] - $centre[2]) * $axis[2]);
            }
        }

        return new Plug($isSocket, $centre, $axis, \sqrt(\max(0.0, $section) * $this->unitMm ** 2 / M_PI), $depth / (2 * \count($border)), $triangles);
    }

    /** @return float of an edge, in units of the mesh */
    private function length(int $edge): float
    {
        [$a, $b] = $this->edges->ends($edge);

        return \sqrt(($this->x[$a] - $this->x[$b]) ** 2 + ($this->y[$a] - $this->y[$b]) ** 2 + ($this->z[$a] - $this->z[$b]) ** 2);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @return array{float, float, float}
     */
    private static function normal(array $x, array $y, array $z, array $corners, int $t): array
    {
        [$a, $b, $c] = [$corners[3 * $t], $corners[3 * $t + 1], $corners[3 * $t + 2]];
        $nx = ($y[$b] - $y[$a]) * ($z[$c] - $z[$a]) - ($z[$b] - $z[$a]) * ($y[$c] - $y[$a]);
        $ny = ($z[$b] - $z[$a]) * ($x[$c] - $x[$a]) - ($x[$b] - $x[$a]) * ($z[$c] - $z[$a]);
        $nz = ($x[$b] - $x[$a]) * ($y[$c] - $y[$a]) - ($y[$b] - $y[$a]) * ($x[$c] - $x[$a]);
        $length = \sqrt($nx * $nx + $ny * $ny + $nz * $nz);

        return $length > 0.0 ? [$nx / $length, $ny / $length, $nz / $length] : [0.0, 0.0, 0.0];
    }
}

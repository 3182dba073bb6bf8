<?php

declare(strict_types=1);

namespace Tests\Support;

use Hyalin\Light\Pose;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;

/**
 * Meshes whose measures can be written down.
 */
final class Shapes
{
    /** A box with its lower corner at the origin, each side in so many squares. */
    public static function box(float $x, float $y, float $z, int $squares = 1): TriangleMesh
    {
        $vertices = $triangles = $known = [];
        $size = [$x, $y, $z];
        foreach ([0, 1, 2] as $axis) {
            [$u, $v] = [($axis + 1) % 3, ($axis + 2) % 3];
            foreach ([0.0, $size[$axis]] as $side => $at) {
                for ($i = 0; $i < $squares; $i++) {
                    for ($j = 0; $j < $squares; $j++) {
                        /** @var list<int> $q */
                        $q = [];
                        foreach ([[$i, $j], [$i + 1, $j], [$i + 1, $j + 1], [$i, $j + 1]] as [$a, $b]) {
                            $place = [0.0, 0.0, 0.0];
                            $place[$axis] = (float) $at;
                            $place[$u] = $a / $squares * $size[$u];
                            $place[$v] = $b / $squares * $size[$v];
                            $key = sprintf('%.6f %.6f %.6f', ...$place);
                            $known[$key] ??= array_push($vertices, $place) - 1;
                            $q[] = $known[$key];
                        }
                        // Counter-clockwise from outside.
                        $q = $side === 1 ? $q : array_reverse($q);
                        $triangles[] = [$q[0], $q[1], $q[2]];
                        $triangles[] = [$q[0], $q[2], $q[3]];
                    }
                }
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    /** A ball around a point. */
    public static function ball(float $radius, int $rows, float $atX = 0.0, float $atZ = 0.0): TriangleMesh
    {
        $columns = 2 * $rows;
        $vertices = [[$atX, 0.0, $atZ + $radius]];
        for ($i = 1; $i < $rows; $i++) {
            for ($j = 0; $j < $columns; $j++) {
                [$t, $a] = [M_PI * $i / $rows, 2 * M_PI * $j / $columns];
                $vertices[] = [$atX + $radius * sin($t) * cos($a), $radius * sin($t) * sin($a), $atZ + $radius * cos($t)];
            }
        }
        $vertices[] = [$atX, 0.0, $atZ - $radius];
        $last = count($vertices) - 1;
        $at = static fn (int $i, int $j): int => 1 + ($i - 1) * $columns + $j % $columns;
        $triangles = [];
        for ($j = 0; $j < $columns; $j++) {
            $triangles[] = [0, $at(1, $j), $at(1, $j + 1)];
            $triangles[] = [$last, $at($rows - 1, $j + 1), $at($rows - 1, $j)];
            for ($i = 1; $i < $rows - 1; $i++) {
                $triangles[] = [$at($i, $j), $at($i + 1, $j), $at($i + 1, $j + 1)];
                $triangles[] = [$at($i, $j), $at($i + 1, $j + 1), $at($i, $j + 1)];
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    /**
     * A sheet over x and y at a height of z, seen from above, and what stands on it.
     *
     * @param  callable(float, float): float  $height
     */
    public static function land(float $x0, float $x1, float $y0, float $y1, int $nx, int $ny, callable $height): TriangleMesh
    {
        $vertices = $triangles = [];
        for ($i = 0; $i <= $nx; $i++) {
            for ($j = 0; $j <= $ny; $j++) {
                [$x, $y] = [$x0 + ($x1 - $x0) * $i / $nx, $y0 + ($y1 - $y0) * $j / $ny];
                $vertices[] = [$x, $y, $height($x, $y)];
            }
        }
        for ($i = 0; $i < $nx; $i++) {
            for ($j = 0; $j < $ny; $j++) {
                $a = $i * ($ny + 1) + $j;
                $b = $a + $ny + 1;
                $triangles[] = [$a, $b, $b + 1];
                $triangles[] = [$a, $b + 1, $a + 1];
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    /** Two meshes as one file. */
    /**
     * A sculpt of the data that come with CGAL (Debian package libcgal-demo), upright.
     *
     * @param  float  $high  mm of its longest side
     */
    public static function sculpt(string $name, float $high): TriangleMesh
    {
        $tar = new \PharData('/usr/share/doc/libcgal-dev/data.tar.gz');
        $tokens = preg_split('/\s+/', (string) file_get_contents($tar["data/meshes/{$name}.off"]->getPathname())) ?: [];
        [$vertices, $faces] = [(int) $tokens[1], (int) $tokens[2]];
        $points = array_map(static fn (array $p): array => [(float) $p[0], -(float) $p[2], (float) $p[1]], array_chunk(array_slice($tokens, 4, 3 * $vertices), 3));
        $triangles = array_map(static fn (array $f): array => [(int) $f[1], (int) $f[2], (int) $f[3]], array_chunk(array_slice($tokens, 4 + 3 * $vertices, 4 * $faces), 4));
        $mesh = TriangleMesh::build($points, $triangles);

        return Pose::of(scale: $high / MeshMeasures::of($mesh)->size())->applied($mesh);
    }

    /**
     * A skin turned about z, closed at both ends.
     *
     * @param  callable(float): float  $radius
     */
    public static function turned(callable $radius, float $from, float $to, int $rows, int $around): TriangleMesh
    {
        $vertices = [[0.0, 0.0, $from]];
        for ($i = 1; $i < $rows; $i++) {
            $z = $from + ($to - $from) * $i / $rows;
            for ($j = 0; $j < $around; $j++) {
                $vertices[] = [$radius($z) * cos(2 * M_PI * $j / $around), $radius($z) * sin(2 * M_PI * $j / $around), $z];
            }
        }
        $vertices[] = [0.0, 0.0, $to];
        $last = count($vertices) - 1;
        $at = static fn (int $i, int $j): int => 1 + ($i - 1) * $around + $j % $around;
        $triangles = [];
        for ($j = 0; $j < $around; $j++) {
            $triangles[] = [0, $at(1, $j + 1), $at(1, $j)];
            $triangles[] = [$last, $at($rows - 1, $j), $at($rows - 1, $j + 1)];
            for ($i = 1; $i < $rows - 1; $i++) {
                $triangles[] = [$at($i, $j), $at($i, $j + 1), $at($i + 1, $j + 1)];
                $triangles[] = [$at($i, $j), $at($i + 1, $j + 1), $at($i + 1, $j)];
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    /**
     * A skin over rings of as many points each, closed at both ends: pegs, sockets, and what they stand on.
     *
     * @param  list<array{string, float, float, float}>  $rings  round or square, half width along x and along y, height
     */
    public static function stacked(array $rings, int $around = 48): TriangleMesh
    {
        $vertices = $triangles = [];
        foreach ($rings as [$shape, $a, $b, $z]) {
            for ($j = 0; $j < $around; $j++) {
                [$cos, $sin] = [cos(2 * M_PI * ($j + 0.5) / $around), sin(2 * M_PI * ($j + 0.5) / $around)];
                $by = $shape === 'square' ? 1 / max(abs($cos), abs($sin)) : 1.0;
                $vertices[] = [$a * $by * $cos, $b * $by * $sin, $z];
            }
        }
        $ends = [count($vertices), count($vertices) + 1];
        $vertices[] = [0.0, 0.0, $rings[0][3]];
        $vertices[] = [0.0, 0.0, $rings[count($rings) - 1][3]];
        $last = (count($rings) - 1) * $around;
        for ($j = 0; $j < $around; $j++) {
            $k = ($j + 1) % $around;
            $triangles[] = [$ends[0], $k, $j];
            $triangles[] = [$ends[1], $last + $j, $last + $k];
            for ($i = 0; $i < $last; $i += $around) {
                $triangles[] = [$i + $j, $i + $k, $i + $around + $k];
                $triangles[] = [$i + $j, $i + $around + $k, $i + $around + $j];
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    public static function both(TriangleMesh $one, TriangleMesh $two): TriangleMesh
    {
        $shifted = '';
        foreach ($two->chunks() as $corners) {
            $shifted .= pack('V*', ...array_map(static fn (int $v): int => $v + $one->vertices(), array_values($corners)));
        }

        return TriangleMesh::of($one->positions.$two->positions, $one->indices.$shifted);
    }
}

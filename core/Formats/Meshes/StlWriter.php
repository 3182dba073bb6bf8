<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\Mesh\TriangleMesh;

/**
 * Binary STL, with normals from the way corners run.
 */
final class StlWriter
{
    public static function write(TriangleMesh $mesh): string
    {
        return implode('', [...self::parts($mesh)]);
    }

    /** @return iterable<int, string> the file piece by piece: the whole of a large one need not be held */
    public static function parts(TriangleMesh $mesh): iterable
    {
        yield str_pad('written by Hyalin', 80, ' ').pack('V', $mesh->triangles());
        foreach ($mesh->chunks() as $corners) {
            $out = '';
            for ($i = 1, $n = count($corners); $i < $n; $i += 3) {
                $points = substr($mesh->positions, 12 * $corners[$i], 12).substr($mesh->positions, 12 * $corners[$i + 1], 12).substr($mesh->positions, 12 * $corners[$i + 2], 12);
                $out .= self::normal($points).$points."\0\0";
            }
            yield $out;
        }
    }

    private static function normal(string $points): string
    {
        /** @var array<int, float> $p */
        $p = unpack('g9', $points);
        $n = [
            ($p[5] - $p[2]) * ($p[9] - $p[3]) - ($p[6] - $p[3]) * ($p[8] - $p[2]),
            ($p[6] - $p[3]) * ($p[7] - $p[1]) - ($p[4] - $p[1]) * ($p[9] - $p[3]),
            ($p[4] - $p[1]) * ($p[8] - $p[2]) - ($p[5] - $p[2]) * ($p[7] - $p[1]),
        ];
        $length = sqrt($n[0] ** 2 + $n[1] ** 2 + $n[2] ** 2) ?: 1.0;

        return pack('g3', $n[0] / $length, $n[1] / $length, $n[2] / $length);
    }
}
